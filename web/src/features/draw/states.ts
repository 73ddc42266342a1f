import type { Schemas } from "../../api/transport";

export type Row = Schemas["LiveRow"];

/** Positions of everything that moves; what is not named stands at 0. */
export type Positions = Record<string, number>;

export const positionsOf = (state: { switches: Positions; channels: Positions }): Positions => ({
  ...state.switches,
  ...state.channels,
});

/** Rows that belong to one connected region, in the order of the table. */
export function regionsOf(rows: Row[]): Row[][] {
  const regions = new Map<string, Row[]>();
  for (const row of rows) {
    const key = Object.keys(positionsOf(row)).join(" ");
    regions.set(key, [...(regions.get(key) ?? []), row]);
  }
  return [...regions.values()];
}

const matches = (row: Row, at: Positions) =>
  Object.entries(positionsOf(row)).every(([id, position]) => (at[id] ?? 0) === position);

/** The row of every region that these positions select. */
export const rowsAt = (rows: Row[], at: Positions): Row[] => rows.filter((row) => matches(row, at));

/** What is live, lit and asserted at these positions. */
export function pictureOf(rows: Row[], at: Positions) {
  const selected = rowsAt(rows, at);
  return {
    live: new Set(selected.flatMap((row) => row.live)),
    lit: new Set(
      selected.flatMap((row) =>
        Object.entries(row.loads)
          .filter(([, reading]) => reading.state === "ON" || reading.state === "OVER")
          .map(([id]) => id),
      ),
    ),
    dim: new Set(
      selected.flatMap((row) =>
        Object.entries(row.loads)
          .filter(([, reading]) => reading.state === "DIM")
          .map(([id]) => id),
      ),
    ),
    asserted: new Set(
      selected.flatMap((row) =>
        Object.entries(row.modules).flatMap(([id, module]) =>
          Object.entries(module.inputs)
            .filter(([, on]) => on)
            .map(([input]) => `${id}.${input}`),
        ),
      ),
    ),
    powered: new Set(
      selected.flatMap((row) =>
        Object.entries(row.modules)
          .filter(([, module]) => module.powered)
          .map(([id]) => id),
      ),
    ),
    shorts: selected.flatMap((row) => row.shorts),
  };
}

export type Picture = ReturnType<typeof pictureOf>;

/** Whether a load is on, dim or off: on if one of its parts is. */
export function loadState(
  of: { strokes: { showing: Showing }[] },
  picture: Picture | null,
): "on" | "dim" | "off" {
  const parts = of.strokes.find(({ showing }) => showing.when === "ON")?.showing.of ?? [];
  return stateOf(parts, picture);
}

function stateOf(parts: string[], picture: Picture | null): "on" | "dim" | "off" {
  if (parts.some((id) => picture?.lit.has(id))) {
    return "on";
  }
  return parts.some((id) => picture?.dim.has(id)) ? "dim" : "off";
}

type Showing = Schemas["Showing"];

/** Whether a mark shows at these positions; without them it does where nothing is energised. */
export function shows(
  { when, of, still }: Showing,
  at: Positions | undefined,
  picture: Picture | null,
): boolean {
  if (!at || !picture) {
    return still;
  }
  switch (when) {
    case "ALWAYS":
      return true;
    case "LIVE":
      return of.some((node) => picture.live.has(node));
    case "AT_REST":
      return of.some((id) => (at[id] ?? 0) === 0);
    case "OPERATED":
      return of.some((id) => at[id] === 1);
    case "ON":
    case "DIM":
    case "OFF":
      return stateOf(of, picture) === when.toLowerCase();
    case "POWERED":
      return of.some((id) => picture.powered.has(id));
    case "UNPOWERED":
      return !of.some((id) => picture.powered.has(id));
    case "ASSERTED":
      return of.some((input) => picture.asserted.has(input));
    default:
      return when satisfies never;
  }
}

export type Step = Schemas["LiveStep"];

/** The positions after an operation, as the server computed them; unchanged where it has no answer. */
export function operated(steps: Step[], at: Positions, id: string): Positions {
  const step = steps.find(
    ({ positions, after }) =>
      after[id] !== undefined &&
      Object.entries(positions).every(([element, position]) => (at[element] ?? 0) === position),
  );
  return step?.after[id] ? { ...at, ...step.after[id] } : at;
}

/** What a break of the supply is called among the operations. */
export const SUPPLY_BLINK = "supply blink";

/** Relays fall open when the supply goes. */
export function withRelaysOpen(rows: Row[], at: Positions): Positions {
  const channels = rows.flatMap((row) => Object.keys(row.channels));
  return { ...at, ...Object.fromEntries(channels.map((channel) => [channel, 0])) };
}
