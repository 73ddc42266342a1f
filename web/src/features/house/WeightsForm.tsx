import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, houseSettingsOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";

type Weights = Schemas["WeightsEntry"];

/** Cents in the document, whole money on the sheet. */
const MONEY: { field: keyof Weights; label: string }[] = [
  { field: "kind", label: "Each kind of module" },
  { field: "maker", label: "Each maker" },
  { field: "box", label: "Each box opened" },
  { field: "minute", label: "A minute of work" },
  { field: "exchanged", label: "A plate or mechanism exchanged" },
  { field: "silent", label: "A wall switch that goes dead" },
  { field: "cut", label: "A module cut off at the wall" },
  { field: "wish", label: "A wish missed" },
  { field: "note", label: "A neutral left unused" },
];

/** What the parts of a plan count beside the price, so that they can be added to it. */
export function WeightsForm({ job }: { job: string }) {
  const settings = useQuery(houseSettingsOptions(job));
  const queries = useQueryClient();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const document = settings.data?.document;
  const keep = useMutation({
    mutationFn: () => {
      if (!settings.data || !document) {
        throw new Error("The settings are not here yet.");
      }
      const weights = { ...document.weights };
      for (const [field, value] of Object.entries(typed)) {
        weights[field as keyof Weights] = Math.round(Number(value.replace(",", ".")) * 100);
      }
      return api.keepHouseSettings(job, {
        version: settings.data.version,
        document: { ...document, weights },
      });
    },
    onSuccess: async () => {
      setTyped({});
      await queries.invalidateQueries({ queryKey: houseSettingsOptions(job).queryKey });
    },
  });
  if (!document) {
    return null;
  }
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate();
  };
  const changed = Object.keys(typed).length > 0;
  return (
    <details>
      <summary className="cursor-pointer font-semibold">
        Weights: what counts beside the price{changed && ", not kept yet"}
      </summary>
      <form onSubmit={submit} className="mt-2">
        <div className="grid gap-x-4 gap-y-2 sm:grid-cols-3">
          {MONEY.map(({ field, label }) => (
            <TextField
              key={field}
              label={label}
              inputMode="decimal"
              pattern="[0-9]+([.,][0-9]{1,2})?"
              value={typed[field] ?? (document.weights[field] / 100).toFixed(2)}
              onChange={(value) => setTyped({ ...typed, [field]: value })}
            />
          ))}
        </div>
        <button type="submit" className="btn btn-sm btn-outline mt-3" disabled={!changed || keep.isPending}>
          keep the weights
        </button>
        {keep.isError && <Failure error={keep.error} />}
      </form>
    </details>
  );
}
