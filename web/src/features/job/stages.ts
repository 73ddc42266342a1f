import type { Schemas } from "../../api/transport";

export type StageCode = Schemas["StageView"]["stage"];

/** The ten stages with their key, word and place in the address. */
export const STAGES: { code: StageCode; key: string; word: string; path: string }[] = [
  { code: "SURVEY", key: "1", word: "Survey", path: "survey" },
  { code: "TRACE", key: "2", word: "Trace", path: "trace" },
  { code: "MATCH", key: "3", word: "Match", path: "match" },
  { code: "DRAW", key: "4", word: "Draw", path: "draw" },
  { code: "BENCH", key: "5", word: "Bench", path: "bench" },
  { code: "FIT", key: "6", word: "Fit", path: "fit" },
  { code: "JOIN", key: "7", word: "Join", path: "join" },
  { code: "FEEL", key: "8", word: "Feel", path: "feel" },
  { code: "RULES", key: "9", word: "Rules", path: "rules" },
  { code: "HAND_OVER", key: "0", word: "Hand over", path: "hand-over" },
];
