import type { Schemas } from "../../api/transport";
import { WIRE_INK } from "./wires";

/** Inks of a drawing in the theme's colours. */
export const INK: Record<Schemas["DrawnStroke"]["fill"], string> = {
  ...WIRE_INK,
  NONE: "none",
  TEXT: "var(--color-base-content)",
  SOFT: "var(--color-secondary)",
  PAPER: "var(--color-base-100)",
  BODY: "var(--color-base-200)",
  OPERABLE: "var(--color-base-content)",
  TAG: "var(--color-base-content)",
  CHANGED: "var(--color-primary)",
  LIT: "var(--lamp)",
  GLOW: "var(--glow)",
  // Dark in both themes.
  WITHIN_LIT: "oklch(0.27 0.05 255)",
  WHITE_EDGE: "var(--edge)",
};
