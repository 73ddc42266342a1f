import type { Schemas } from "../api/transport";

/** A finding for tests; what is not said is usual. */
export function finding(change: Partial<Schemas["FindingView"]> = {}): Schemas["FindingView"] {
  return {
    code: "CONTACT_OVERLOAD",
    severity: "STOP",
    title: "More load than the contact carries",
    subject: "K1/1",
    about: "Channel",
    facts: "found 288 W; allowed 150 W",
    states: [],
    reason: "288 W of LED lamp on a contact for 150 W: over by 138 W.",
    remedies: [{ kind: "SPLIT_LOAD", text: "split the load on more channels" }],
    source: "maker's rating in the stock book",
    ...change,
  };
}

/** A job with two rooms on two storeys and a box in each. */
export function job(change: Partial<Schemas["JobView"]> = {}): Schemas["JobView"] {
  return {
    id: "job",
    name: "Sluice Cottage",
    place: "Weir Row",
    region: "EU_230",
    regionLabel: "Europe, 230 V",
    nominalVolts: 230,
    lengths: "MILLIMETRE",
    countsBoxVolume: false,
    phases: ["L1", "L2", "L3"],
    rooms: [
      { id: "pantry", version: 0, name: "Pantry", storey: "Ground floor" },
      { id: "attic", version: 0, name: "Attic", storey: "Loft" },
    ],
    circuits: [
      {
        id: "c4",
        label: "4",
        ratingAmps: 10,
        phase: "L1",
        phaseLabel: "L1",
        version: 0,
        kindOfDevice: "BREAKER",
        device: "circuit breaker",
        alternativelySupplied: true,
      },
    ],
    terminals: { ONE_WAY: ["COM", "L1"], INTERMEDIATE: ["A1", "A2", "B1", "B2"] },
    boxes: [box("b1", "pantry", "B-01"), box("b2", "attic", "B-02", { worst: "STOP" })],
    isolation: [],
    ...change,
  };
}

export function box(
  id: string,
  roomId: string,
  label: string,
  change: Partial<Schemas["BoxView"]> = {},
): Schemas["BoxView"] {
  return {
    id,
    version: 1,
    roomId,
    label,
    kind: "WALL",
    summary: "Shelf lamps",
    gangs: 1,
    stages: [
      { stage: "SURVEY", progress: "DONE" },
      { stage: "MATCH", progress: "BEGUN" },
      { stage: "DRAW", progress: "REOPENED" },
      { stage: "FIT", progress: "OPEN" },
    ],
    ...change,
  };
}
