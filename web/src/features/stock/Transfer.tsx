import { useMutation, useQueryClient } from "@tanstack/react-query";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Failure } from "../../ui/Failure";

/** The stock book as a file, and files into the stock book. */
export function Transfer() {
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: async ({ file, apply }: { file: File; apply: boolean }) =>
      api.importStock(file.name.toLowerCase().endsWith(".csv") ? "CSV" : "JSON", await file.text(), apply),
    onSuccess: (report) => report.applied && queries.invalidateQueries(),
  });
  return (
    <section className="mt-6">
      <h2 className="mb-2 text-lg">Files</h2>
      <div className="flex flex-wrap items-center gap-3">
        <a className="btn btn-sm btn-outline" href="/api/v1/stock/export?format=JSON" download>
          all as JSON
        </a>
        <a className="btn btn-sm btn-outline" href="/api/v1/stock/export?format=CSV" download>
          figures as CSV
        </a>
        <label className="flex items-center gap-2">
          take in
          <input
            type="file"
            accept=".json,.csv"
            className="file-input file-input-sm"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) {
                take.mutate({ file, apply: false });
              }
              e.target.value = "";
            }}
          />
        </label>
      </div>
      {take.isPending && <p role="status">Reading, row by row.</p>}
      {take.isError && <Failure error={take.error} />}
      {take.data && (
        <Report
          report={take.data}
          onTake={() => take.variables && take.mutate({ ...take.variables, apply: true })}
        />
      )}
    </section>
  );
}

function Report({ report, onTake }: { report: Schemas["StockReport"]; onTake: () => void }) {
  const refused = report.refused.length;
  return (
    <div role="status" className="mt-3">
      <p>
        {report.applied ? "Taken: " : refused > 0 ? "Nothing is taken: " : "It would be: "}
        {report.added} added, {report.changed} changed, {refused} refused
        {report.reopened.length > 0 && `; ${report.reopened.length} verdicts judged again`}.
      </p>
      {!report.applied && refused === 0 && report.added + report.changed > 0 && (
        <button type="button" className="btn btn-sm btn-primary my-2" onClick={onTake}>
          take {report.added + report.changed} rows
        </button>
      )}
      <ul className="list-disc pl-5">
        {report.refused.map((row) => (
          <li key={row.row}>
            Row {row.row}, {row.code}:{" "}
            {row.problems.map((p) => `${p.pointer} ${p.found}; wanted is ${p.expected}`).join(". ")}
          </li>
        ))}
      </ul>
    </div>
  );
}
