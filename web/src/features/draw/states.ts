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
