import { useId, useState } from "react";
import type { Act, Wall } from "./PracticePage";

/** The other right answer: this wall is not fit to be built on. */
export function ReportFault({ wall, act }: { wall: Wall; act: Act }) {
  const [fault, setFault] = useState("");
  const field = useId();
  const chosen = wall.faults.find((each) => each.fault === fault);
  return (
    <details className="border-line border-t pt-2">
      <summary className="cursor-pointer text-[15px] font-semibold">Report a fault instead</summary>
      <label htmlFor={field} className="mt-2 mb-1 block text-sm">
        what is wrong with this wall
      </label>
      <select
        id={field}
        className="select select-sm w-full"
        value={fault}
        onChange={(e) => setFault(e.target.value)}
      >
        <option value="">choose</option>
        {wall.faults.map((each) => (
          <option key={each.fault} value={each.fault}>
            {each.label}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="btn btn-sm btn-outline mt-2 w-full"
        disabled={!chosen}
        onClick={() => chosen && act({ kind: "REPORT", fault: chosen.fault })}
      >
        fit nothing, report this
      </button>
    </details>
  );
}
