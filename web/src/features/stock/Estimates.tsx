import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, estimatesOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";

const words = (kind: string) => kind.toLowerCase().replaceAll("_", " ").replace("led", "LED");

/** Shares to guess with where a maker states no rating; shown beside the hold, never in its place. */
export function Estimates() {
  const estimates = useQuery(estimatesOptions);
  const queries = useQueryClient();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const keep = useMutation({
    mutationFn: () => {
      const shares = { ...estimates.data?.shares };
      for (const [kind, text] of Object.entries(typed)) {
        shares[kind] = Number(text.replace(",", "."));
      }
      return api.keepEstimates({ version: estimates.data?.version ?? 0, shares });
    },
    onSuccess: async () => {
      setTyped({});
      await queries.invalidateQueries();
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate();
  };
  return (
    <details className="mt-4">
      <summary className="cursor-pointer text-lg font-semibold">
        Estimates for ratings that nobody states
      </summary>
      <form onSubmit={submit} className="mt-2">
        <p className="text-soft mb-2 max-w-prose">
          Share of the resistive rating, common practice, no source. A plan stays held back; a lead may take
          it on. LED lamps are never guessed.
        </p>
        <div className="grid gap-3 sm:grid-cols-3">
          {Object.entries(estimates.data?.shares ?? {}).map(([kind, share]) => (
            <TextField
              key={kind}
              label={words(kind)}
              inputMode="decimal"
              value={typed[kind] ?? String(share)}
              onChange={(text) => setTyped({ ...typed, [kind]: text })}
            />
          ))}
        </div>
        <button
          type="submit"
          className="btn btn-sm btn-outline mt-3"
          disabled={Object.keys(typed).length === 0}
        >
          keep the estimates
        </button>
        {keep.isError && <Failure error={keep.error} />}
      </form>
    </details>
  );
}
