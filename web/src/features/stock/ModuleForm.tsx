import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { FigureField } from "../../ui/FigureField";
import { moment } from "../../ui/figures";
import { Mark } from "../../ui/Mark";
import { TextField } from "../../ui/TextField";
import { ForLeads } from "../session/ForLeads";
import { ModuleFacts } from "./ModuleFacts";

type Document = Schemas["ModuleDocument"];
type Item = Schemas["ModuleItem"];
type Load = Schemas["RatingEntry"]["load"];

const LOADS: { load: Load; label: string; unit: "watts" | "amps" }[] = [
  { load: "RESISTIVE", label: "Resistive, A", unit: "amps" },
  { load: "LED_LAMP", label: "LED lamps, W", unit: "watts" },
  { load: "LED_DRIVER", label: "LED drivers, W", unit: "watts" },
  { load: "INCANDESCENT", label: "Incandescent, W", unit: "watts" },
  { load: "HALOGEN", label: "Mains halogen, W", unit: "watts" },
  { load: "MOTOR", label: "Motor or fan, W", unit: "watts" },
  { load: "HEATER", label: "Heater, W", unit: "watts" },
];

/** One module: what its maker states. A field left empty is unknown, not zero. */
export function ModuleForm({ item, onClose }: { item: Item; onClose: () => void }) {
  const [draft, setDraft] = useState<Document>(item.document);
  const [onHand, setOnHand] = useState(String(item.onHand));
  const [copy, setCopy] = useState("");
  const queries = useQueryClient();
  const done = () => queries.invalidateQueries();
  const keep = useMutation({
    mutationFn: (retired: boolean) =>
      api.changeModule(item.document.code, {
        version: item.version,
        document: draft,
        onHand: Number(onHand),
        retired,
      }),
    onSuccess: (changed) => changed.reopened.length === 0 && done(),
  });
  const duplicate = useMutation({
    mutationFn: () => api.addModule({ document: { ...draft, code: copy }, onHand: 0 }),
    onSuccess: done,
  });
  const set = (part: Partial<Document>) => setDraft({ ...draft, ...part });
  const rate = (load: Load, unit: "watts" | "amps", figure: number | undefined) =>
    set({
      channels: draft.channels.map((channel) => ({
        ...channel,
        ratings: [
          ...channel.ratings.filter((r) => r.load !== load),
          ...(figure === undefined ? [] : [{ load, [unit]: figure }]),
        ],
      })),
    });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(item.retired);
  };
  return (
    <form
      onSubmit={submit}
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
        <TextField label="Name" value={draft.name} onChange={(name) => set({ name })} required />
        <FigureField
          label="Price"
          start={item.document.priceCents == null ? undefined : item.document.priceCents / 100}
          onChange={(amount) =>
            set({ priceCents: amount === undefined ? undefined : Math.round(amount * 100) })
          }
        />
        <TextField
          label="Supplier"
          value={draft.supplier ?? ""}
          onChange={(supplier) => set({ supplier: supplier || undefined })}
        />
        <TextField label="On the shelf" inputMode="numeric" value={onHand} onChange={setOnHand} required />
        {(
          [
            ["lengthMm", "Length, mm"],
            ["widthMm", "Width, mm"],
            ["thicknessMm", "Thickness, mm"],
            ["contactPeakAmps", "Peak the contact stands, A"],
          ] as const
        ).map(([field, label]) => (
          <FigureField
            key={field}
            label={label}
            start={item.document[field]}
            onChange={(figure) => set({ [field]: figure })}
          />
        ))}
        {LOADS.map(({ load, label, unit }) => {
          const rating = item.document.channels[0]?.ratings.find((r) => r.load === load);
          return (
            draft.channels.length > 0 && (
              <FigureField
                key={load}
                label={label}
                start={rating?.[unit]}
                onChange={(figure) => rate(load, unit, figure)}
              />
            )
          );
        })}
        <FigureField
          label="Highest temperature, °C"
          start={item.document.temperatures?.highest}
          onChange={(highest) =>
            set({
              temperatures:
                highest === undefined ? undefined : { lowest: draft.temperatures?.lowest ?? 0, highest },
            })
          }
        />
        <Choice
          label="Role in the mesh"
          value={draft.meshRole ?? ""}
          onChange={(role) => set({ meshRole: role === "" ? undefined : role })}
          options={[
            { value: "", label: "unknown" },
            { value: "PASSES_ON", label: "passes on for others" },
            { value: "LISTENS_ONLY", label: "listens only" },
            { value: "NO_MESH", label: "no mesh" },
          ]}
        />
      </div>
      <ModuleFacts document={draft} set={set} />
      <ForLeads>
        <div className="mt-4 flex flex-wrap items-end gap-2">
          <button type="submit" className="btn btn-sm btn-primary" disabled={keep.isPending}>
            keep
          </button>
          <button type="button" className="btn btn-sm btn-outline" onClick={() => keep.mutate(!item.retired)}>
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
      {keep.isError && <Failure error={keep.error} />}
      {duplicate.isError && <Failure error={duplicate.error} />}
      {keep.data && keep.data.reopened.length > 0 && <Reopened reopened={keep.data.reopened} onSeen={done} />}
    </form>
  );
}

function Reopened({ reopened, onSeen }: { reopened: Schemas["Reopened"][]; onSeen: () => void }) {
  return (
    <div role="status" className="border-warning mt-3 border-l-4 pl-3">
      <p className="font-semibold">Verdicts that used it were judged anew:</p>
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
