import type { Schemas } from "../../api/transport";
import { WIRE_INK } from "../draw/wires";
import { CorePicture } from "./CorePicture";

/** Every core of every box with what it can still be. */
export function CoreTable({ boxes, touched }: { boxes: Schemas["BoxSeen"][]; touched: string[] }) {
  return (
    <div className="mt-5 space-y-6">
      {boxes.map((box) => (
        <section key={box.id} aria-label={`cores in ${box.label}`}>
          <h2 className="mb-1 text-[16px]">
            {box.label}{" "}
            <span className="text-soft text-[14px] font-normal">
              {box.switches.map((s) => s.mechanism).join(", ") || "lamp place"}
            </span>
          </h2>
          <CorePicture box={box} touched={touched} />
          <table className="table-sm mt-2 table">
            <thead>
              <tr>
                <th>Core</th>
                <th>Sits on</th>
                <th>Can be</th>
              </tr>
            </thead>
            <tbody>
              {box.cores.map((core) => (
                <Row key={core.id} core={core} />
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </div>
  );
}

function Row({ core }: { core: Schemas["CoreSeen"] }) {
  return (
    <tr data-core={core.id} data-certain={core.certain}>
      <td className="whitespace-nowrap">
        <span
          aria-hidden
          className="border-line mr-2 inline-block h-3 w-4 border align-middle"
          style={{ background: WIRE_INK[core.colour] }}
        />
        <span className="font-mono">
          {core.letters} {core.cable}
        </span>
      </td>
      <td>{core.at}</td>
      <td>
        {core.certain ? (
          <b>{core.roles.join()}</b>
        ) : (
          <span className="text-soft">{core.roles.join(" or ") || "nothing known"}</span>
        )}
        {!core.agrees && <span className="text-warning block text-[13px]">surveyed as {core.surveyed}</span>}
      </td>
    </tr>
  );
}
