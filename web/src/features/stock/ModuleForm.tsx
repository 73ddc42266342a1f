import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Failure } from "../../ui/Failure";
import { Figure, Pick, sending, Text, useRefusals } from "../../ui/fields";
import { moment } from "../../ui/figures";
import { Mark } from "../../ui/Mark";
import { TextField } from "../../ui/TextField";
import { ForLeads } from "../session/ForLeads";
import { ModuleFacts } from "./ModuleFacts";
import { documentOf, type ModuleValues, RATINGS, valuesOf } from "./moduleValues";

type Item = Schemas["ModuleItem"];

/** One module: what its maker states. A field left empty is unknown, not zero. */
export function ModuleForm({ item, onClose }: { item: Item; onClose: () => void }) {
  const form = useForm<ModuleValues>({ defaultValues: valuesOf(item) });
  const { control, formState, getValues, setError } = form;
  const touched = formState.dirtyFields.ratings ?? {};
  const [copy, setCopy] = useState("");
  const queries = useQueryClient();
  const done = () => queries.invalidateQueries();
  const keep = useMutation({
    mutationFn: ({ values, retired }: { values: ModuleValues; retired: boolean }) =>
      api.changeModule(item.document.code, {
        version: item.version,
        document: documentOf(values, touched),
        onHand: values.onHand,
        retired,
      }),
    onSuccess: (changed) => changed.reopened.length === 0 && done(),
  });
  useRefusals(keep.error, setError);
  const duplicate = useMutation({
    mutationFn: () =>
      api.addModule({ document: { ...documentOf(getValues(), touched), code: copy }, onHand: 0 }),
    onSuccess: done,
  });
  const withRetired = (retired: boolean) => sending(form, (values) => keep.mutate({ values, retired }));
  return (
    <form
      onSubmit={withRetired(item.retired)}
      aria-label={`module ${item.document.code}`}
      className="bg-base-100 border-base-content mb-6 rounded-[4px] border-[1.5px] p-4"
    >
      <div className="mb-3 flex flex-wrap items-baseline gap-3">
        <h2 className="font-mono text-lg">{item.document.code}</h2>
        <span className="text-soft">
          {item.document.maker} · {item.changedBy}, {moment(item.changedAt)}
        </span>
        <span className="flex-1" />
        <button type="button" className="btn btn-sm btn-outline" onClick={onClose}>
          close
        </button>
      </div>
      {item.unknown.length > 0 && (
        <p className="border-warning mb-3 flex gap-2 border-l-4 pl-3">
          Not stated: {item.unknown.join(", ")}. What matters of it holds a plan back until it is found out.
        </p>
      )}
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <Text control={control} name="document.name" label="Name" required />
        <Figure control={control} name="price" label="Price" />
        <Text control={control} name="document.supplier" label="Supplier" optional />
        <Figure control={control} name="onHand" label="On the shelf" required />
        {(
          [
            ["document.lengthMm", "Length, mm"],
            ["document.widthMm", "Width, mm"],
            ["document.thicknessMm", "Thickness, mm"],
            ["document.contactPeakAmps", "Peak the contact stands, A"],
          ] as const
        ).map(([name, label]) => (
          <Figure key={name} control={control} name={name} label={label} />
        ))}
        {item.document.channels.length > 0 &&
          RATINGS.map(({ load, label }) => (
            <Figure key={load} control={control} name={`ratings.${load}`} label={label} />
          ))}
        <Figure control={control} name="document.temperatures.highest" label="Highest temperature, °C" />
        <Pick
          control={control}
          name="document.meshRole"
          label="Role in the mesh"
          options={[
            { value: "", label: "unknown" },
            { value: "PASSES_ON", label: "passes on for others" },
            { value: "LISTENS_ONLY", label: "listens only" },
            { value: "NO_MESH", label: "no mesh" },
          ]}
        />
      </div>
      <ModuleFacts control={control} kind={item.document.supply.type} />
      <ForLeads>
        <div className="mt-4 flex flex-wrap items-end gap-2">
          <button type="submit" className="btn btn-sm btn-primary" disabled={keep.isPending}>
            keep
          </button>
          <button type="button" className="btn btn-sm btn-outline" onClick={withRetired(!item.retired)}>
            {item.retired ? "buy it again" : "buy it no more"}
          </button>
          <span className="flex-1" />
          <TextField label="Duplicate under the code" value={copy} onChange={setCopy} className="w-48" />
          <button
            type="button"
            className="btn btn-sm btn-outline"
            onClick={() => duplicate.mutate()}
            disabled={!copy || duplicate.isPending}
          >
            duplicate
          </button>
        </div>
      </ForLeads>
      <div className="mt-3 space-y-3 empty:hidden">
        {keep.isError && <Failure error={keep.error} />}
        {duplicate.isError && <Failure error={duplicate.error} />}
      </div>
      {keep.data && keep.data.reopened.length > 0 && <Reopened reopened={keep.data.reopened} onSeen={done} />}
    </form>
  );
}

function Reopened({ reopened, onSeen }: { reopened: Schemas["Reopened"][]; onSeen: () => void }) {
  return (
    <div role="status" className="border-warning mt-3 border-l-4 pl-3">
      <p className="font-semibold">Verdicts that used it were judged again:</p>
      <ul>
        {reopened.map(({ before, after }) => (
          <li key={after.box} className="flex items-center gap-2">
            <Mark kind={after.verdict as "OK" | "HOLD" | "STOP"} size={15} />
            <Link className="link" to={`/jobs/${after.job}/boxes/${after.box}/match`}>
              {after.jobName}, {after.label}
            </Link>
            {before.verdict === after.verdict
              ? `still ${after.verdict}`
              : `${before.verdict} before, ${after.verdict} now`}
            {before.issued && !after.issued && ": its plan must be issued again"}
          </li>
        ))}
      </ul>
      <button type="button" className="btn btn-xs btn-outline mt-1" onClick={onSeen}>
        seen
      </button>
    </div>
  );
}
