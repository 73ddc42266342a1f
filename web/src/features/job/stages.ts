import type { Schemas } from "../../api/client";

export type StageCode = Schemas["StageView"]["stage"];

/** The ten stages with their key, word and place in the address. */
export const STAGES: { code: StageCode; key: string; word: string; path: string; built: boolean }[] = [
  { code: "SURVEY", key: "1", word: "Survey", path: "survey", built: true },
  { code: "TRACE", key: "2", word: "Trace", path: "trace", built: true },
  { code: "MATCH", key: "3", word: "Match", path: "match", built: true },
  { code: "DRAW", key: "4", word: "Draw", path: "draw", built: true },
  { code: "BENCH", key: "5", word: "Bench", path: "bench", built: true },
  { code: "FIT", key: "6", word: "Fit", path: "fit", built: true },
  { code: "JOIN", key: "7", word: "Join", path: "join", built: true },
  { code: "FEEL", key: "8", word: "Feel", path: "feel", built: true },
  { code: "RULES", key: "9", word: "Rules", path: "rules", built: true },
  { code: "HAND_OVER", key: "0", word: "Hand over", path: "hand-over", built: false },
];
