import type { Schemas } from "../../api/transport";

export type Survey = Schemas["SurveyDocument"];
export type Gang = Schemas["GangEntry"];
export type Cable = Schemas["CableEntry"];
export type Core = Schemas["CoreEntry"];
export type End = Schemas["EndEntry"];

/** A survey being typed, with what undo and redo go back to. */
export type Draft = { now: Survey; past: Survey[]; future: Survey[] };

export type DraftAction =
  | { do: "change"; to: Survey }
  | { do: "undo" }
  | { do: "redo" }
  | { do: "start"; from: Survey };

const KEPT = 100;

export function draftReducer(draft: Draft, action: DraftAction): Draft {
  switch (action.do) {
    case "change":
      return { now: action.to, past: [...draft.past, draft.now].slice(-KEPT), future: [] };
    case "undo": {
      const last = draft.past.at(-1);
      return last
        ? { now: last, past: draft.past.slice(0, -1), future: [draft.now, ...draft.future] }
        : draft;
    }
    case "redo": {
      const [next, ...rest] = draft.future;
      return next ? { now: next, past: [...draft.past, draft.now], future: rest } : draft;
    }
    case "start":
      return { now: action.from, past: [], future: [] };
    default:
      return action satisfies never;
  }
}

/** An empty box to start from; every figure is there to be changed. */
export function newSurvey(label: string, circuit: string): Survey {
  return {
    label,
    geometry: { widthMm: 60, heightMm: 60, depthMm: 61, metal: false },
    gangs: [newGang(1, circuit)],
    loads: [],
    cables: [],
    jumpers: [],
  };
}

/** Another box like one that is known: all but its label, and its cables to other boxes, which run elsewhere. */
export function likeThis(survey: Survey, labels: string[]): Survey {
  return {
    ...survey,
    label: nextLabel(labels),
    cables: survey.cables.filter((cable) => cable.leadsTo !== "BOX"),
  };
}

/** The first label of its kind that no box has. */
export function nextLabel(labels: string[]): string {
  const taken = new Set(labels);
  for (let number = labels.length + 1; ; number++) {
    const label = `B-${String(number).padStart(2, "0")}`;
    if (!taken.has(label)) {
      return label;
    }
  }
}

/** In place of a gang: a load that hangs in the box itself. */
export const HANGS_HERE = 0;

export function newGang(number: number, circuit: string): Gang {
  return {
    number,
    name: number === 1 ? "Switch" : `Switch ${number}`,
    mechanism: "ONE_WAY",
    depthMm: 22,
    circuit,
  };
}

export const replaceAt = <T>(list: T[], index: number, item: T): T[] =>
  list.map((old, i) => (i === index ? item : old));

export const without = <T>(list: T[], index: number): T[] => list.filter((_, i) => i !== index);

/** The survey without some loads: cores that led to them alone go, and cables that led nowhere else. */
export function withoutLoads(survey: Survey, gone: number[]): Survey {
  return {
    ...survey,
    loads: survey.loads.filter((load) => !gone.includes(load.number)),
    cables: survey.cables.flatMap((cable) => {
      const leadsTo = [cable.load, ...cable.cores.map((core) => core.load)].filter(
        (load) => typeof load === "number",
      );
      if (!leadsTo.some((load) => gone.includes(load))) {
        return [cable];
      }
      const left = leadsTo.find((load) => !gone.includes(load));
      if (left === undefined) {
        return [];
      }
      const cores = cable.cores
        .filter(
          (core) => core.role !== "SWITCHED_LIVE" || !gone.includes(core.load ?? cable.load ?? HANGS_HERE),
        )
        .map((core) =>
          core.role !== "SWITCHED_LIVE" ? core : belongingTo(core, core.load ?? cable.load, left),
        );
      return [{ ...cable, load: left, cores }];
    }),
  };
}

function belongingTo(core: Core, load: number | null | undefined, ofCable: number): Core {
  const { load: _, ...rest } = core;
  return typeof load !== "number" || load === ofCable ? rest : { ...rest, load };
}

/** An end as the value of a select, and back. */
export function endValue(end: End): string {
  switch (end.at) {
    case "MECHANISM":
      return `g:${end.gang}:${end.terminal}`;
    case "LOAD":
      return `x:${end.load}:${end.terminal}`;
    case "MODULE":
      return `m:${end.module}:${end.terminal}`;
    case "CONNECTOR":
      return `j:${end.connector}`;
    case "CAPPED":
    case "LOOSE":
      return end.at;
    default:
      return end.at satisfies never;
  }
}

export function endOf(value: string): End {
  const [kind, first, second] = value.split(":");
  if (kind === "g") {
    return { at: "MECHANISM", gang: Number(first), terminal: second };
  }
  if (kind === "x") {
    return { at: "LOAD", load: Number(first), terminal: second };
  }
  if (kind === "m") {
    return { at: "MODULE", module: Number(first), terminal: second };
  }
  return kind === "j" ? { at: "CONNECTOR", connector: value.slice(2) } : { at: value as "CAPPED" | "LOOSE" };
}

/** Every end of every conductor. */
export function endsOf(survey: Survey): End[] {
  return [
    ...survey.cables.flatMap((cable) => cable.cores.map((core) => core.end)),
    ...survey.jumpers.flatMap((jumper) => [jumper.from, jumper.to]),
  ];
}

/** How many ends are on the terminals of a module that is in the box. */
export const endsOnModule = (survey: Survey, module: number): number =>
  endsOf(survey).filter((end) => end.at === "MODULE" && end.module === module).length;

/** The survey without one of the modules that are in the box: what was on it hangs loose, and jumpers to it go. */
export function withoutModule(survey: Survey, index: number): Survey {
  const number = index + 1;
  const moved = (end: End): End =>
    end.at === "MODULE" && (end.module ?? 0) > number ? { ...end, module: (end.module ?? 0) - 1 } : end;
  const isOnIt = (end: End) => end.at === "MODULE" && end.module === number;
  const modules = without(survey.modules ?? [], index);
  return {
    ...survey,
    modules: modules.length > 0 ? modules : undefined,
    cables: survey.cables.map((cable) => ({
      ...cable,
      cores: cable.cores.map((core) => ({
        ...core,
        end: isOnIt(core.end) ? { at: "LOOSE" } : moved(core.end),
      })),
    })),
    jumpers: survey.jumpers
      .filter((jumper) => !isOnIt(jumper.from) && !isOnIt(jumper.to))
      .map((jumper) => ({ ...jumper, from: moved(jumper.from), to: moved(jumper.to) })),
  };
}

/** Connectors that are named somewhere in the survey. */
export function connectorsOf(survey: Survey): string[] {
  return [...new Set(endsOf(survey).flatMap((end) => (end.connector ? [end.connector] : [])))].sort();
}
