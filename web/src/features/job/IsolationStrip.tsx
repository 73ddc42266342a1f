import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { moment } from "../../ui/figures";
import { Overlay } from "../../ui/Overlay";

type Isolation = Schemas["IsolationView"];

const WORDS: Record<Isolation["state"], string> = {
  ON: "treated as live",
  OFF_NOT_PROVED: "off, not proved dead",
  PROVED_DEAD: "off, recorded dead",
  LIVE_WHILE_OPEN: "on, box open",
};

/** Always at the foot: which circuits are off for work, by whom and since when. Hatched while anything is open. */
export function IsolationStrip({ job, onSheet }: { job: Schemas["JobView"]; onSheet: () => void }) {
  const open = job.isolation.length > 0;
  return (
    <section
      aria-label="Isolation"
      className={`border-base-content flex min-h-[46px] shrink-0 items-center gap-3 border-t-2 px-3 py-1.5 sm:px-4 ${open ? "hatched" : "no-print"}`}
    >
      {open ? (
        <ul className="flex min-w-0 flex-wrap gap-2">
          {job.isolation.map((i) => (
            <li
              key={`${i.circuit} ${i.boxId}`}
              className="bg-base-100 rounded-[3px] px-2.5 py-0.5 text-[14px]"
            >
              <b className={i.state === "PROVED_DEAD" ? "" : "text-error"}>
                Circuit {i.circuit} {WORDS[i.state]}
              </b>
              {i.since && ` · ${i.who} ${moment(i.since)}`}
              <span className="hidden sm:inline">{` · box ${i.box}`}</span>
              {i.locks.length > 0 && (
                <span className="hidden sm:inline">{` · locks: ${i.locks.join(", ")}`}</span>
              )}
            </li>
          ))}
        </ul>
      ) : (
        <p className="text-[14px]">Nothing is isolated in this house.</p>
      )}
      <span className="flex-1" />
      <button
        type="button"
        onClick={onSheet}
        className="no-print bg-base-100 hidden shrink-0 items-center gap-2 rounded-[3px] px-2.5 py-1 text-[14px] sm:flex"
      >
        isolation sheet <span className="kbd-key">i</span>
      </button>
    </section>
  );
}

export function IsolationSheet({ job, onClose }: { job: Schemas["JobView"]; onClose: () => void }) {
  return (
    <Overlay title="Isolation sheet" onClose={onClose}>
      <p className="text-soft mb-3 text-sm">
        What was recorded on run sheets. It does not replace testing: work on fixed wiring is for a licensed
        person under the local code.
      </p>
      <table className="table">
        <thead>
          <tr>
            <th>Circuit</th>
            <th>State</th>
            <th>Box</th>
          </tr>
        </thead>
        <tbody>
          {job.circuits.map((circuit) => {
            const entries = job.isolation.filter((i) => i.circuit === circuit.label);
            return (
              <tr key={circuit.id}>
                <td>
                  {circuit.label} · {circuit.ratingAmps} A · {circuit.phase}
                  {circuit.alternativelySupplied && <b className="text-error block">has another supply</b>}
                </td>
                <td>
                  {entries.length === 0
                    ? "on"
                    : entries
                        .map(
                          (e) =>
                            `${WORDS[e.state]}${e.since ? `, ${e.who} ${moment(e.since)}` : ""}${e.locks.length > 0 ? `, locked by ${e.locks.join(", ")}` : ""}`,
                        )
                        .join("; ")}
                </td>
                <td>
                  {entries.map((e) => (
                    <Link
                      key={e.boxId}
                      className="text-primary underline"
                      to={`/jobs/${job.id}/boxes/${e.boxId}/fit`}
                    >
                      {e.box}
                    </Link>
                  ))}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Overlay>
  );
}
