import type { Gang } from "./draft";

/** Names on the terminals of each mechanism, as the wiring format has them. */
export const TERMINALS: Record<Gang["mechanism"], string[]> = {
  ONE_WAY: ["COM", "L1"],
  TWO_WAY: ["COM", "L1", "L2"],
  INTERMEDIATE: ["A1", "A2", "B1", "B2"],
  PUSH_MAKE: ["COM", "L1"],
  PUSH_BREAK: ["COM", "L1"],
  DOUBLE_POLE: ["L-IN", "L-OUT", "N-IN", "N-OUT"],
  FIXED_ON: ["COM", "L1"],
};
