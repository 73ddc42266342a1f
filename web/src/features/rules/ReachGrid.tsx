import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { Sideways } from "../../ui/Sideways";

type Outcome = Schemas["OutcomeView"];

/** For each switch and each lamp: what is left when something is down. */
export function ReachGrid({ reach }: { reach: Schemas["ReachGridView"] }) {
  const [pairs, setPairs] = useState(false);
  const columns = reach.columns
    .map((name, i) => ({ name, i }))
    .filter(({ name }) => pairs || !name.includes(","));
  if (reach.rows.length === 0) {
    return <p className="text-soft">No switch acts on anything yet. Pick modules first.</p>;
  }
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-1 text-[14px]">
        <label className="flex cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={pairs}
            onChange={(e) => setPairs(e.target.checked)}
          />
          pairs of parts too
        </label>
        <span className="text-soft">
          Delays are estimates, common practice. A switch and its lamp always need their own modules and
          mains.
        </span>
      </div>
      <Sideways label="reach">
        <table className="w-full text-[13.5px]">
          <thead>
            <tr className="border-base-content border-b-[1.5px] text-left align-bottom">
              <th className="py-1.5 pr-3">hand on</th>
              <th className="pr-3">acts on</th>
              <th className="pr-3">by</th>
              <th className="pr-3">all up</th>
              {columns.map((c) => (
                <th key={c.name} className="min-w-20 pr-3">
                  {c.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {reach.rows.map((row) => (
              <tr key={`${row.control} ${row.output}`} className="border-line border-b align-top">
                <td className="py-1.5 pr-3 font-semibold">{row.control}</td>
                <td className="py-1.5 pr-3">{row.output}</td>
                <td className="py-1.5 pr-3" title={`takes ${row.takes.join(", ")}`}>
                  {row.by}
                </td>
                <td className="py-1.5 pr-3 whitespace-nowrap">
                  <Sign state="WORKS" /> <span className="font-mono whitespace-nowrap">{row.delayMs} ms</span>
                </td>
                {columns.map((c) => (
                  <Cell key={c.name} outcome={row.down[c.i]} />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Sideways>
    </>
  );
}

const TINT: Record<Outcome["state"], string> = { WORKS: "", SLOWER: "bg-warning/15", LOST: "bg-error/10" };

function Cell({ outcome }: { outcome?: Outcome }) {
  if (!outcome) {
    return <td />;
  }
  return (
    <td
      className={`py-1.5 pr-3 pl-1 whitespace-nowrap ${TINT[outcome.state]}`}
      title={outcome.by ?? "nothing carries it"}
    >
      <Sign state={outcome.state} />{" "}
      <span className="font-mono whitespace-nowrap">
        {outcome.state === "WORKS" ? "works" : outcome.state === "LOST" ? "lost" : `${outcome.delayMs} ms`}
      </span>
    </td>
  );
}

/** Full, half and empty: the shape says it without colour. */
function Sign({ state }: { state: Outcome["state"] }) {
  const colour = state === "WORKS" ? "text-success" : state === "SLOWER" ? "text-warning" : "text-error";
  return (
    <svg viewBox="0 0 12 12" width="11" height="11" aria-hidden className={`inline ${colour}`}>
      <circle
        cx="6"
        cy="6"
        r="4.6"
        fill={state === "WORKS" ? "currentColor" : "none"}
        stroke="currentColor"
        strokeWidth="1.6"
      />
      {state === "SLOWER" && <path d="M6 1.4a4.6 4.6 0 0 0 0 9.2z" fill="currentColor" />}
    </svg>
  );
}
