import type { Schemas } from "../../api/client";

/** What is matched together: gangs, or a load that hangs in the box. */
export type Group = { words: string; gangs: number[]; loads: number[] };

export const positionOf = ({ gangs, loads }: Group) => ({ gangs, loads });

/** What can be matched together: all gangs that share a circuit, each gang alone, loads that hang in the box. */
export function groupsOf(survey: Schemas["SurveyDocument"] | undefined): Group[] {
  const gangs = survey?.gangs ?? [];
  const circuits = [...new Set(gangs.map((gang) => gang.circuit))];
  const shared = circuits
    .map((circuit) => gangs.filter((gang) => gang.circuit === circuit))
    .filter((members) => members.length > 1)
    .map((members) => ({
      words: members.length === gangs.length ? "all gangs" : members.map((gang) => gang.name).join(" and "),
      gangs: members.map((gang) => gang.number),
      loads: [],
    }));
  const hanging = (survey?.loads ?? []).filter((load) => load.gang === 0);
  return [
    ...shared,
    ...gangs.map((gang) => ({ words: gang.name, gangs: [gang.number], loads: [] })),
    ...hanging.map((load) => ({ words: load.name, gangs: [], loads: [load.number] })),
  ];
}
