import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type ChangeEvent, useRef, useState } from "react";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Failure } from "../../ui/Failure";

type What = "circuits" | "boxes";

const COLUMNS: Record<What, string> = {
  circuits: "label, rating_a, phase; and if wanted alternative_supply, elv_volts",
  boxes:
    "room, storey, label, width_mm, height_mm, depth_mm; and if wanted kind, metal, switch_1, mechanism_1, circuit_1, load_1 and so on",
};

/** Circuits and boxes from a table: tried first, each row that can't be taken told with its place; then all or none. */
export function ImportPanel({ job }: { job: string }) {
  const queries = useQueryClient();
  const file = useRef<HTMLInputElement>(null);
  const [what, setWhat] = useState<What>("circuits");
  const [table, setTable] = useState("");
  const take = useMutation({
    mutationFn: ({ csv, apply }: { csv: string; apply: boolean }) =>
      what === "circuits" ? api.importCircuits(job, csv, apply) : api.importBoxes(job, csv, apply),
    onSuccess: (report) => report.applied && queries.invalidateQueries(about({ job })),
  });
  const chosen = async (event: ChangeEvent<HTMLInputElement>) => {
    const [picked] = event.target.files ?? [];
    event.target.value = "";
    if (picked) {
      const csv = await picked.text();
      setTable(csv);
      take.mutate({ csv, apply: false });
    }
  };
  const choose = (next: What) => {
    setWhat(next);
    file.current?.click();
  };
  return (
    <section className="no-print border-line mt-8 border-t pt-4" aria-label="From a table">
      <h2 className="mb-1 text-lg">From a table</h2>
      <p className="text-soft mb-3 max-w-[80ch] text-sm">
        Comma- or semicolon-separated values with these columns. Circuits: {COLUMNS.circuits}. Boxes:{" "}
        {COLUMNS.boxes}.
      </p>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv,text/plain"
        className="hidden"
        aria-label="table to take"
        onChange={chosen}
      />
      <div className="flex flex-wrap gap-2">
        <a
          className="btn btn-sm btn-outline"
          href={`/api/v1/jobs/${job}/circuits.csv`}
          download="circuits.csv"
        >
          circuits as a table
        </a>
        <a className="btn btn-sm btn-outline" href={`/api/v1/jobs/${job}/boxes.csv`} download="boxes.csv">
          boxes as a table
        </a>
        <button type="button" className="btn btn-sm btn-outline" onClick={() => choose("circuits")}>
          take circuits
        </button>
        <button type="button" className="btn btn-sm btn-outline" onClick={() => choose("boxes")}>
          take boxes
        </button>
      </div>
      {take.isPending && <p className="mt-3">Reading the rows …</p>}
      {take.isError && <Failure error={take.error} />}
      {take.data && <Report report={take.data} onTake={() => take.mutate({ csv: table, apply: true })} />}
    </section>
  );
}

function Report({ report, onTake }: { report: Schemas["ImportReport"]; onTake: () => void }) {
  const rows = `${report.taken} ${report.taken === 1 ? "row" : "rows"}`;
  const refused = report.notTaken.length;
  return (
    <div role="status" className="mt-3">
      <p className="font-semibold">
        {report.applied
          ? `${rows} taken.`
          : refused > 0
            ? `${refused} of ${report.taken + refused} rows can't be taken, so none is. Mend them in the table and choose it again.`
            : `${rows} can be taken.`}
      </p>
      {!report.applied && refused === 0 && report.taken > 0 && (
        <button type="button" className="btn btn-sm btn-primary mt-2" onClick={onTake}>
          take {rows}
        </button>
      )}
      {report.notTaken.length > 0 && (
        <table className="table-sm mt-2 table">
          <thead>
            <tr>
              <th>Line</th>
              <th>Column</th>
              <th>Found</th>
              <th>Expected</th>
            </tr>
          </thead>
          <tbody>
            {report.notTaken.map((row) => (
              <tr key={row.row}>
                <td className="font-mono">{row.row}</td>
                <td className="font-mono">{row.column}</td>
                <td>{row.found}</td>
                <td>{row.expected}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
