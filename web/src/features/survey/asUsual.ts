import type { Survey } from "./draft";

/** What was filled in as it usually is, and nobody has looked at: names of cables, and whether the measures are among it. */
export function notLookedAt(survey: Survey): { cables: string[]; measures: boolean } {
  return {
    cables: survey.cables.filter((cable) => cable.asUsual).map((cable) => cable.name),
    measures: survey.geometry.asUsual === true,
  };
}

/** The survey once somebody looked at all of it. */
export const lookedAt = (survey: Survey): Survey => ({
  ...survey,
  geometry: { ...survey.geometry, asUsual: undefined },
  cables: survey.cables.map((cable) => ({ ...cable, asUsual: undefined })),
});
