import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type ChangeEvent, useRef, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Failure } from "../../ui/Failure";

type Outcome = Schemas["JobImportView"];

/** Takes a job from a file: first told what it would bring, then taken whole or not at all. */
export function JobFile() {
  const queries = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<string>();
  const take = useMutation({
    mutationFn: ({ text, apply }: { text: string; apply: boolean }) => api.importJob(text, apply),
    onSuccess: (outcome) => outcome.applied && queries.invalidateQueries(),
  });
  const chosen = async (event: ChangeEvent<HTMLInputElement>) => {
    const [picked] = event.target.files ?? [];
    event.target.value = "";
    if (picked) {
      const text = await picked.text();
      setFile(text);
      take.mutate({ text, apply: false });
    }
  };
  return (
    <section className="border-line mt-8 border-t pt-4" aria-label="Job from a file">
      <h2 className="mb-2 text-lg">Take a job from a file</h2>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="hidden"
        aria-label="job file"
        onChange={chosen}
      />
      <button type="button" className="btn btn-outline" onClick={() => input.current?.click()}>
        choose a file
      </button>
      {take.isPending && (
        <p role="status" className="mt-3">
          Reading the file …
        </p>
      )}
      {take.isError && (
        <div className="mt-3">
          <Failure error={take.error} />
        </div>
      )}
      {take.data && (
        <Report
          outcome={take.data}
          busy={take.isPending}
          onTake={() => file && take.mutate({ text: file, apply: true })}
        />
      )}
    </section>
  );
}

function Report({ outcome, busy, onTake }: { outcome: Outcome; busy: boolean; onTake: () => void }) {
  if (outcome.applied) {
    return (
      <p role="status" className="mt-3">
        {outcome.name} is taken.{" "}
        <Link className="text-primary underline" to={`/jobs/${outcome.job}`}>
          open it
        </Link>
      </p>
    );
  }
  const refused = outcome.refused.length > 0;
  return (
    <div role="status" className="mt-3 max-w-[85ch] space-y-3">
      <p className="font-semibold">
        {refused
          ? `Refused, at ${outcome.refused.length} ${outcome.refused.length === 1 ? "place" : "places"}. Nothing is stored.`
          : outcome.isNew
            ? `${outcome.name} would be a new job.`
            : `${outcome.name} is here already and would be replaced.`}
      </p>
      {refused && (
        <table className="table-sm table">
          <thead>
            <tr>
              <th>Place in the file</th>
              <th>Found</th>
              <th>Expected</th>
            </tr>
          </thead>
          <tbody>
            {outcome.refused.map((problem) => (
              <tr key={`${problem.pointer} ${problem.found}`}>
                <td className="font-mono break-all">{problem.pointer}</td>
                <td>{problem.found}</td>
                <td>{problem.expected}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {!refused && (
        <>
          {outcome.counts.length === 0 ? (
            <p>It says what is here already; taking it changes nothing.</p>
          ) : (
            <table className="table-sm table max-w-md">
              <thead>
                <tr>
                  <th>Part</th>
                  <th>Added</th>
                  <th>Changed</th>
                  <th>Taken away</th>
                </tr>
              </thead>
              <tbody className="font-mono">
                {outcome.counts.map((count) => (
                  <tr key={count.part}>
                    <td>{count.part}</td>
                    <td>{count.added}</td>
                    <td>{count.changed}</td>
                    <td>{count.removed}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <ul className="text-soft list-disc pl-5 text-[14px]">
            {outcome.notes.map((note) => (
              <li key={note}>{note}</li>
            ))}
          </ul>
          <button type="button" className="btn btn-primary" disabled={busy} onClick={onTake}>
            take it
          </button>
        </>
      )}
    </div>
  );
}
