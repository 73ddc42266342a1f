import type { Schemas } from "../../api/transport";
import { withUnit } from "../../ui/figures";
import { type Positions, rowsAt } from "./states";

type Props = { wiring: Schemas["DrawnWiring"]; names: Record<string, string>; at: Positions };

/** Volts across every load and amperes in every conductor, in the state that is shown. */
export function Figures({ wiring, names, at }: Props) {
  const rows = rowsAt(wiring.rows, at);
  const loads = rows.flatMap((row) => Object.entries(row.loads));
  const amps = rows.flatMap((row) => Object.entries(row.amps));
  const wires = new Map(
    wiring.artwork.groups.filter(({ kind }) => kind === "WIRE").map(({ subject, name }) => [subject, name]),
  );
  return (
    <div className="mt-3 grid gap-6 sm:grid-cols-2">
      <table className="table-xs table">
        <thead>
          <tr>
            <th>Load</th>
            <th>State</th>
            <th>Across it</th>
          </tr>
        </thead>
        <tbody>
          {loads.map(([id, reading]) => (
            <tr key={id}>
              <td>{names[id] ?? id}</td>
              <td>{reading.state.toLowerCase()}</td>
              <td className="font-mono">{withUnit(reading.volts, "V")}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <table className="table-xs table">
        <thead>
          <tr>
            <th>Conductor</th>
            <th>Carries</th>
          </tr>
        </thead>
        <tbody>
          {amps
            .filter(([id]) => wires.has(id))
            .map(([id, value]) => (
              <tr key={id}>
                <td>{wires.get(id)}</td>
                <td className="font-mono">{withUnit(value, "A")}</td>
              </tr>
            ))}
          {amps.length === 0 && (
            <tr>
              <td colSpan={2} className="text-soft">
                Nothing flows in this state.
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}
