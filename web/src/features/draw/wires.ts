import type { Schemas } from "../../api/transport";

type Colour = Schemas["CoreEntry"]["colour"];

/** Ink of each insulation; green-yellow is drawn as a striped pair. */
export const WIRE_INK: Record<Colour, string> = {
  BROWN: "var(--wire-brown)",
  BLACK: "var(--wire-black)",
  GREY: "var(--wire-grey)",
  BLUE: "var(--wire-blue)",
  GREEN_YELLOW: "var(--wire-green)",
  RED: "var(--wire-red)",
  YELLOW: "var(--wire-yellow)",
  WHITE: "var(--wire-white)",
  ORANGE: "var(--wire-orange)",
  VIOLET: "var(--wire-violet)",
  GREEN: "var(--wire-green)",
  BARE: "var(--wire-bare)",
};
