import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { withUnit } from "../../ui/figures";
import { Mark } from "../../ui/Mark";
import { TextField } from "../../ui/TextField";
import { circuitSumsOptions } from "../survey/api";
import { api } from "./api";

type Circuit = Schemas["CircuitView"];

/** A circuit while it is typed. */
type Typed = {
  label: string;
  rating: string;
  phase: Circuit["phase"];
  volts: string;
  other: boolean;
  device: Circuit["kindOfDevice"];
  residual: string;
  cable: string;
  metal: NonNullable<Circuit["metal"]> | "";
};

const NEW: Typed = {
  label: "",
  rating: "10",
  phase: "L1",
  volts: "24",
  other: false,
  device: "BREAKER",
  residual: "",
  cable: "",
  metal: "",
};

const figure = (text: string) => Number(text.replace(",", "."));

const typed = (circuit: Circuit): Typed => ({
  label: circuit.label,
  rating: String(circuit.ratingAmps),
  phase: circuit.phase,
  volts: String(circuit.elvVolts ?? NEW.volts),
  other: circuit.alternativelySupplied,
  device: circuit.kindOfDevice,
  residual: circuit.residualMilliamps ? String(circuit.residualMilliamps) : "",
  cable: circuit.cableMm2 ? String(circuit.cableMm2) : "",
  metal: circuit.metal ?? "",
});

const sent = (circuit: Typed): Schemas["NewCircuit"] => ({
  label: circuit.label,
  ratingAmps: figure(circuit.rating),
  phase: circuit.phase,
  alternativelySupplied: circuit.other,
  device: circuit.device,
  ...(circuit.phase === "ELV_PLUS" ? { elvVolts: figure(circuit.volts) } : {}),
  ...(circuit.residual ? { residualMilliamps: figure(circuit.residual) } : {}),
  ...(circuit.cable ? { cableMm2: figure(circuit.cable) } : {}),
  ...(circuit.metal ? { metal: circuit.metal } : {}),
});

/** The circuits on the board: added, changed and taken away. */
export function Circuits({ job }: { job: Schemas["JobView"] }) {
  const [form, setForm] = useState<Typed>(NEW);
  const [changing, setChanging] = useState<Circuit>();
  const sums = useQuery(circuitSumsOptions(job.id));
  const queries = useQueryClient();
  const set = (change: Partial<Typed>) => setForm({ ...form, ...change });
  const end = () => {
    setForm(NEW);
    setChanging(undefined);
  };
  const keep = useMutation({
    mutationFn: async () =>
      changing
        ? api.changeCircuit(changing.id, { version: changing.version, circuit: sent(form) })
        : void (await api.addCircuit(job.id, sent(form))),
    onSuccess: async () => {
      end();
      // Plans of the boxes of a circuit rest on it.
      await queries.invalidateQueries();
    },
  });
  const remove = useMutation({
    mutationFn: (circuit: Circuit) => api.removeCircuit(circuit.id, circuit.version),
    onSuccess: () => {
      end();
      return queries.invalidateQueries(about({ job: job.id }));
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate();
  };
  return (
    <section>
      <h2 className="mb-2 text-lg">Circuits</h2>
      {job.circuits.length === 0 && (
        <p className="text-soft mb-3">No circuits yet. Add the one that feeds the first box.</p>
      )}
      {job.circuits.length > 0 && (
        <table className="table-sm mb-4 table">
          <thead>
            <tr>
              <th>On the board</th>
              <th>Rating</th>
              <th>Phase</th>
              <th>Device, cable</th>
              <th>All loads at once</th>
            </tr>
          </thead>
          <tbody>
            {job.circuits.map((circuit) => (
              <tr key={circuit.id} className={changing?.id === circuit.id ? "bg-base-200" : ""}>
                <td className="font-semibold">{circuit.label}</td>
                <td className="font-mono">{circuit.ratingAmps} A</td>
                <td>
                  {circuit.phaseLabel}
                  {circuit.elvVolts && ` ${circuit.elvVolts} V`}
                </td>
                <td>
                  {circuit.device}
                  {circuit.residualMilliamps && `, ${circuit.residualMilliamps} mA`}
                  {circuit.cableMm2 && `, ${circuit.cableMm2} mm²`}
                  {circuit.metal === "ALUMINIUM" && <b className="text-warning">, aluminium</b>}
                  {circuit.alternativelySupplied && (
                    <span className="text-warning block">also inverter, battery or generator</span>
                  )}{" "}
                  <button
                    type="button"
                    className="link no-print text-[13px]"
                    aria-label={`change circuit ${circuit.label}`}
                    onClick={() => {
                      keep.reset();
                      remove.reset();
                      setChanging(circuit);
                      setForm(typed(circuit));
                    }}
                  >
                    change
                  </button>
                </td>
                <Sum sum={sums.data?.find((sum) => sum.circuit === circuit.id)} />
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <form
        onSubmit={submit}
        aria-label={changing ? `put circuit ${changing.label} right` : undefined}
        className="grid grid-cols-2 items-end gap-3 sm:grid-cols-4"
      >
        <TextField
          label="Circuit"
          value={form.label}
          onChange={(label) => set({ label })}
          required
          maxLength={20}
        />
        <TextField
          label="Rating, A"
          value={form.rating}
          onChange={(rating) => set({ rating })}
          inputMode="decimal"
          required
        />
        <Choice
          label="Phase"
          value={form.phase}
          onChange={(phase) => set({ phase })}
          options={[
            ...job.phases.map((line) => ({ value: line, label: line as string })),
            { value: "ELV_PLUS" as const, label: "extra-low voltage" },
          ]}
        />
        <span className="flex flex-wrap gap-2">
          <button
            type="submit"
            className={`btn ${changing ? "btn-primary" : "btn-outline"}`}
            disabled={keep.isPending}
          >
            {changing ? "keep" : "add circuit"}
          </button>
          {changing && (
            <>
              <button type="button" className="btn btn-outline" onClick={end}>
                leave it
              </button>
              <button
                type="button"
                className="btn btn-outline"
                disabled={remove.isPending}
                onClick={() => remove.mutate(changing)}
              >
                take circuit {changing.label} away
              </button>
            </>
          )}
        </span>
        {form.phase === "ELV_PLUS" && (
          <TextField
            label="Its volts, V"
            value={form.volts}
            onChange={(volts) => set({ volts })}
            inputMode="decimal"
            required
          />
        )}
        <Choice
          label="Device"
          value={form.device}
          onChange={(device) => set({ device })}
          options={[
            { value: "BREAKER", label: "circuit breaker" },
            { value: "BREAKER_WITH_RESIDUAL", label: "with residual current" },
            { value: "FUSE", label: "fuse" },
          ]}
        />
        <TextField
          label="Residual current, mA"
          value={form.residual}
          onChange={(residual) => set({ residual })}
          inputMode="numeric"
        />
        <TextField
          label="Cable, mm²"
          value={form.cable}
          onChange={(cable) => set({ cable })}
          inputMode="decimal"
        />
        <Choice
          label="Conductors"
          value={form.metal}
          onChange={(metal) => set({ metal })}
          options={[
            { value: "", label: "not looked at" },
            { value: "COPPER", label: "copper" },
            { value: "ALUMINIUM", label: "aluminium" },
          ]}
        />
        <label className="col-span-full flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={form.other}
            onChange={(e) => set({ other: e.target.checked })}
          />
          can also be fed by an inverter, battery or generator
        </label>
      </form>
      {keep.isError && <Failure error={keep.error} />}
      {remove.isError && <Failure error={remove.error} />}
    </section>
  );
}

/** What the loads of a circuit come to, and what is too much. */
function Sum({ sum }: { sum?: Schemas["CircuitSumView"] }) {
  if (!sum) {
    return <td />;
  }
  const [worst] = sum.findings;
  return (
    <td>
      <span className="font-mono whitespace-nowrap">
        {withUnit(sum.watts, "W")} · {withUnit(Math.round(sum.amps * 100) / 100, "A")}
      </span>
      {worst && (
        <span className="flex items-start gap-1.5 text-[13px]">
          <Mark kind={worst.severity} size={15} />
          {worst.reason}
        </span>
      )}
    </td>
  );
}
