import type { Schemas } from "../../api/client";

type Props = {
  plan: Schemas["PlanView"];
  view: "before" | "after" | "restore";
  wiring: Schemas["DrawnWiring"];
};

/** What goes to site on paper: terminal table, what to bring, what to move. */
export function PlanPapers({ plan, view, wiring }: Props) {
  const moves = view === "restore" ? plan.restore : plan.moves;
  return (
    <div className="mt-5 grid gap-6 lg:grid-cols-2">
      <section>
        <h2 className="mb-2 text-[16px]">{view === "after" ? "Terminal table" : "Terminals as found"}</h2>
        <table className="table-xs table">
          <thead>
            <tr>
              <th>Where</th>
              <th>Terminal</th>
              <th>Holds</th>
            </tr>
          </thead>
          <tbody>
            {wiring.terminals.map((line) => (
              <tr key={`${line.device} ${line.terminal}`}>
                <td>{line.device}</td>
                <td className="font-mono">{line.terminal}</td>
                <td>{line.holds.map((held) => held.words).join(", ") || "leave free"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {plan.after && view !== "before" && (
        <section>
          <h2 className="mb-2 text-[16px]">
            {view === "restore" ? "The way back" : "What is moved, in this order"}
          </h2>
          <ol className="list-decimal space-y-1 pl-5 text-[14px]">
            {moves.map((move) => (
              <li key={`${move.kind} ${move.conductor}`}>{move.words}</li>
            ))}
          </ol>
          {view === "after" && (
            <>
              <h2 className="mt-4 mb-2 text-[16px]">To bring</h2>
              <ul className="list-disc pl-5 text-[14px]">
                {plan.parts.map((part) => (
                  <li key={part.what}>
                    <span className="font-mono">{part.count}</span> × {part.what}
                  </li>
                ))}
              </ul>
            </>
          )}
        </section>
      )}
    </div>
  );
}
