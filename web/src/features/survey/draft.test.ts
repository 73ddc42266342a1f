import { describe, expect, it } from "vitest";
import {
  connectorsOf,
  draftReducer,
  endOf,
  endsOnModule,
  endValue,
  likeThis,
  newSurvey,
  nextLabel,
  type Survey,
  withoutLoads,
  withoutModule,
} from "./draft";

const start = (): Survey => newSurvey("B-01", "circuit");

describe("undo and redo of a survey", () => {
  it("goes back to what stood there and forward again", () => {
    const first = start();
    const changed = { ...first, label: "B-02" };
    const draft = draftReducer({ now: first, past: [], future: [] }, { do: "change", to: changed });

    const undone = draftReducer(draft, { do: "undo" });
    expect(undone.now).toBe(first);
    expect(draftReducer(undone, { do: "redo" }).now).toBe(changed);
  });

  it("forgets what was undone once something else is typed", () => {
    const first = start();
    let draft = draftReducer(
      { now: first, past: [], future: [] },
      { do: "change", to: { ...first, label: "B-02" } },
    );
    draft = draftReducer(draft, { do: "undo" });
    draft = draftReducer(draft, { do: "change", to: { ...first, label: "B-03" } });

    expect(draftReducer(draft, { do: "redo" }).now.label).toBe("B-03");
  });

  it("does nothing at either end", () => {
    const draft = { now: start(), past: [], future: [] };
    expect(draftReducer(draft, { do: "undo" })).toBe(draft);
    expect(draftReducer(draft, { do: "redo" })).toBe(draft);
  });
});

describe("ends", () => {
  it.each([
    { at: "MECHANISM", gang: 2, terminal: "L1" } as const,
    { at: "CONNECTOR", connector: "neutral 4" } as const,
    { at: "CAPPED" } as const,
    { at: "LOOSE" } as const,
  ])("survive the way through a select: $at", (end) => {
    expect(endOf(endValue(end))).toEqual(end);
  });

  it("name every connector once", () => {
    const survey = start();
    const end = { at: "CONNECTOR", connector: "earth" } as const;
    survey.jumpers.push({ key: "w1", colour: "BROWN", from: end, to: end });
    expect(connectorsOf(survey)).toEqual(["earth"]);
  });
});

describe("another box like one that is known", () => {
  it("has a label of its own and no cables to other boxes", () => {
    const cable = { name: "c1", leadsTo: "SUPPLY" as const, circuit: "circuit", mm2: 1.5, cores: [] };
    const known: Survey = {
      ...start(),
      cables: [cable, { ...cable, name: "c2", leadsTo: "BOX", box: "other", farCable: "c1" }],
    };

    const next = likeThis(known, ["B-01", "B-03"]);

    expect(next.label).toBe("B-04");
    expect(next.cables).toEqual([cable]);
    expect(next.gangs).toEqual(known.gangs);
  });

  it("never takes a label that is there", () => {
    expect(nextLabel([])).toBe("B-01");
    expect(nextLabel(["B-02"])).toBe("B-03");
  });
});

describe("a load that is taken away", () => {
  const core = (number: number, role: "SWITCHED_LIVE" | "NEUTRAL", load?: number) => ({
    number,
    colour: "BROWN" as const,
    role,
    end: { at: "CAPPED" as const },
    ...(load ? { load } : {}),
  });
  const cable = (name: string, load: number, cores: ReturnType<typeof core>[]) => ({
    name,
    leadsTo: "LOAD" as const,
    load,
    mm2: 1.5,
    cores,
  });
  const load = (number: number) => ({
    number,
    name: `lamp ${number}`,
    typed: "LED 9",
    gang: 1,
    continuous: false,
  });
  const survey = (): Survey => ({
    ...start(),
    loads: [load(1), load(2)],
    cables: [
      cable("c1", 1, [core(1, "SWITCHED_LIVE"), core(2, "SWITCHED_LIVE", 2), core(3, "NEUTRAL")]),
      cable("c2", 2, [core(1, "SWITCHED_LIVE")]),
    ],
  });

  it("takes its cores out of a cable that leads to others too, and its own cables away", () => {
    const left = withoutLoads(survey(), [2]);
    expect(left.loads.map((each) => each.number)).toEqual([1]);
    expect(left.cables).toEqual([cable("c1", 1, [core(1, "SWITCHED_LIVE"), core(3, "NEUTRAL")])]);
  });

  it("names a cable after the load that is left", () => {
    expect(withoutLoads(survey(), [1]).cables[0]).toEqual(
      cable("c1", 2, [core(2, "SWITCHED_LIVE"), core(3, "NEUTRAL")]),
    );
  });

  it("leaves none when all are gone", () => {
    expect(withoutLoads(survey(), [1, 2]).cables).toEqual([]);
  });
});

it("takes a module that is in the box off the list: its ends hang loose, those of later ones follow", () => {
  const start = newSurvey("B-31", "c4");
  const core = { colour: "BROWN", role: "PERMANENT_LIVE" } as const;
  const survey: Survey = {
    ...start,
    modules: [
      { name: "SK-1", freeChannels: 0 },
      { name: "SK-2", freeChannels: 0 },
    ],
    cables: [
      {
        name: "c1",
        leadsTo: "SUPPLY",
        circuit: "c4",
        mm2: 1.5,
        cores: [
          { ...core, number: 1, end: { at: "MODULE", module: 1, terminal: "L" } },
          { ...core, number: 2, end: { at: "MODULE", module: 2, terminal: "N" } },
        ],
      },
    ],
    jumpers: [
      {
        key: "j1",
        colour: "BROWN",
        from: { at: "MODULE", module: 1, terminal: "L" },
        to: { at: "MECHANISM", gang: 1, terminal: "COM" },
      },
      {
        key: "j2",
        colour: "BROWN",
        from: { at: "MODULE", module: 2, terminal: "L" },
        to: { at: "MECHANISM", gang: 1, terminal: "COM" },
      },
    ],
  };

  const left = withoutModule(survey, 0);

  expect(endsOnModule(survey, 1)).toBe(2);
  expect(left.modules?.map((module) => module.name)).toEqual(["SK-2"]);
  expect(left.cables[0]?.cores.map((each) => endValue(each.end))).toEqual(["LOOSE", "m:1:N"]);
  expect(left.jumpers.map((jumper) => endValue(jumper.from))).toEqual(["m:1:L"]);
  expect(endOf("m:1:L")).toEqual({ at: "MODULE", module: 1, terminal: "L" });
  expect(withoutModule(left, 0).modules).toBeUndefined();
});
