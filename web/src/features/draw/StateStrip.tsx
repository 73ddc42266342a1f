import { useMemo } from "react";
import type { Schemas } from "../../api/transport";
import { useKeys } from "../../ui/useKeys";
import { type Positions, positionsOf, type Row, regionsOf, rowsAt } from "./states";

type Props = {
  rows: Row[];
  at: Positions;
  onGo: (at: Positions) => void;
  findings: Schemas["FindingView"][];
  /** What people call switches, loads and modules. */
  names: Record<string, string>;
};

const same = (a: Positions, b: Positions) =>
  Object.entries(a).every(([id, position]) => (b[id] ?? 0) === position);

/** One square for each state; lit where a lamp is on, marked where something is found. */
export function StateStrip({ rows, at, onGo, findings, names }: Props) {
  const regions = useMemo(() => regionsOf(rows).filter((region) => region.length > 1), [rows]);
  const keys = useMemo(() => {
    const walk = (step: number) => () => {
      const region = regions[0] ?? [];
      const here = region.findIndex((row) => same(positionsOf(row), at));
      const next = region[(here + step + region.length) % region.length];
      if (next) {
        onGo({ ...at, ...positionsOf(next) });
      }
    };
    return { ArrowRight: walk(1), ArrowLeft: walk(-1) };
  }, [regions, at, onGo]);
  useKeys(keys);
  const bad = (row: Row) =>
    row.shorts.length > 0 ||
    findings.some(
      (finding) =>
        finding.severity !== "NOTE" &&
        finding.states.some(
          (state) => Object.keys(positionsOf(state)).length > 0 && same(positionsOf(state), positionsOf(row)),
        ),
    );
  return (
    <div className="no-print mt-2 space-y-1.5">
      {regions.map((region) => {
        const here = region.findIndex((row) => same(positionsOf(row), at));
        return (
          <div
            key={Object.keys(positionsOf(region[0] ?? { switches: {}, channels: {} })).join()}
            className="flex flex-wrap items-center gap-3"
          >
            <span className="font-mono w-28 text-[13px] whitespace-nowrap">
              state {here + 1} of {region.length}
            </span>
            <fieldset className="flex flex-wrap gap-1" aria-label="states">
              {region.map((row, index) => (
                <button
                  key={JSON.stringify(positionsOf(row))}
                  type="button"
                  aria-pressed={index === here}
                  aria-label={`state ${index + 1}: ${wordsOf(row, names)}`}
                  title={wordsOf(row, names)}
                  onClick={() => onGo({ ...at, ...positionsOf(row) })}
                  className={`relative size-[22px] rounded-[3px] border-[1.5px] ${
                    index === here ? "border-primary outline-primary outline-2" : "border-edge"
                  } ${isLit(row) ? "bg-accent" : "bg-base-100"}`}
                >
                  {bad(row) && <span aria-hidden className="bg-error absolute inset-[5px] rounded-full" />}
                </button>
              ))}
            </fieldset>
          </div>
        );
      })}
      <p className="text-sm" aria-live="polite">
        {rowsAt(rows, at)
          .filter((row) => Object.keys(positionsOf(row)).length > 0)
          .map((row) => wordsOf(row, names))
          .join(" · ")}
      </p>
    </div>
  );
}

const isLit = (row: Row) =>
  Object.values(row.loads).some((load) => load.state === "ON" || load.state === "OVER");

function wordsOf(row: Row, names: Record<string, string>): string {
  const called = (id: string) => names[id] ?? id;
  if (row.shorts.length > 0) {
    return `${row.shorts.map((short) => short.join(" and ")).join("; ")} meet`;
  }
  const parts = [
    ...Object.entries(row.switches).map(([id, position]) => `${called(id)} at ${position}`),
    ...Object.entries(row.channels).map(([id, closed]) => `relay ${id} ${closed ? "closed" : "open"}`),
    ...Object.entries(row.loads).map(
      ([id, load]) => `${called(id)} ${load.state.toLowerCase()} ${load.volts}\u2009V`,
    ),
  ];
  return parts.join(", ");
}
