import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { circuitSumsOptions } from "../survey/api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { withUnit } from "../../ui/figures";
import { Mark } from "../../ui/Mark";
import { TextField } from "../../ui/TextField";
import { HousePages } from "../house/HousePages";
import { ImportPanel } from "./ImportPanel";
import { SheetLayout } from "./SheetLayout";

/** The house itself: circuits, rooms, and new boxes. */
export function HouseSheet({ job }: { job: Schemas["JobView"] }) {
  return (
    <SheetLayout
      title={job.name}
      detail={`${job.place ? `${job.place} · ` : ""}${job.regionLabel}`}
      actions={<HousePages job={job.id} page="" />}
    >
      <p className="border-warning mb-5 max-w-prose border-l-4 pl-3">
        Fixed wiring is for a licensed person under the local code. The clerk plans, computes and records; it
        never says that work is safe to do.
      </p>
      <div className="grid gap-8 lg:grid-cols-2">
        <Circuits job={job} />
        <Rooms job={job} />
      </div>
      <ImportPanel job={job.id} />
    </SheetLayout>
  );
}

function useAdding(job: string, add: () => Promise<unknown>, done: () => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: add,
    onSuccess: async () => {
      done();
      await queries.invalidateQueries(about({ job }));
    },
  });
}

function Circuits({ job }: { job: Schemas["JobView"] }) {
  const [label, setLabel] = useState("");
  const [rating, setRating] = useState("10");
  const [phase, setPhase] = useState<Schemas["NewCircuit"]["phase"]>("L1");
  const [other, setOther] = useState(false);
  const [device, setDevice] = useState<NonNullable<Schemas["NewCircuit"]["device"]>>("BREAKER");
  const [residual, setResidual] = useState("");
  const [cable, setCable] = useState("");
  const [metal, setMetal] = useState<NonNullable<Schemas["NewCircuit"]["metal"]> | "">("");
  const sums = useQuery(circuitSumsOptions(job.id));
  const add = useAdding(
    job.id,
    () =>
      api.addCircuit(job.id, {
        label,
        ratingAmps: Number(rating.replace(",", ".")),
        phase,
        alternativelySupplied: other,
        device,
        ...(residual ? { residualMilliamps: Number(residual) } : {}),
        ...(cable ? { cableMm2: Number(cable.replace(",", ".")) } : {}),
        ...(metal ? { metal } : {}),
      }),
    () => setLabel(""),
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    add.mutate();
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
              <tr key={circuit.id}>
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
                  )}
                </td>
                <Sum sum={sums.data?.find((sum) => sum.circuit === circuit.id)} />
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <form onSubmit={submit} className="grid grid-cols-2 items-end gap-3 sm:grid-cols-4">
        <TextField label="Circuit" value={label} onChange={setLabel} required maxLength={20} />
        <TextField label="Rating, A" value={rating} onChange={setRating} inputMode="decimal" required />
        <Choice
          label="Phase"
          value={phase}
          onChange={setPhase}
          options={job.phases.map((line) => ({ value: line, label: line }))}
        />
        <button type="submit" className="btn btn-outline" disabled={add.isPending}>
          add circuit
        </button>
        <Choice
          label="Device"
          value={device}
          onChange={setDevice}
          options={[
            { value: "BREAKER", label: "circuit breaker" },
            { value: "BREAKER_WITH_RESIDUAL", label: "with residual current" },
            { value: "FUSE", label: "fuse" },
          ]}
        />
        <TextField label="Residual current, mA" value={residual} onChange={setResidual} inputMode="numeric" />
        <TextField label="Cable, mm²" value={cable} onChange={setCable} inputMode="decimal" />
        <Choice
          label="Conductors"
          value={metal}
          onChange={setMetal}
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
            checked={other}
            onChange={(e) => setOther(e.target.checked)}
          />
          can also be fed by an inverter, battery or generator
        </label>
      </form>
      {add.isError && <Failure error={add.error} />}
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

function Rooms({ job }: { job: Schemas["JobView"] }) {
  const [name, setName] = useState("");
  const [storey, setStorey] = useState(job.rooms.at(-1)?.storey ?? "Ground floor");
  const add = useAdding(
    job.id,
    () => api.addRoom(job.id, { name, storey }),
    () => setName(""),
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    add.mutate();
  };
  return (
    <section>
      <h2 className="mb-2 text-lg">Rooms and boxes</h2>
      {job.rooms.length === 0 && (
        <p className="text-soft mb-3">No rooms yet. Add the room of the first box.</p>
      )}
      <ul className="mb-4">
        {job.rooms.map((room) => (
          <li
            key={room.id}
            className="border-line flex flex-wrap items-center gap-x-3 gap-y-1 border-b py-1.5"
          >
            <span className="font-semibold">{room.name}</span>
            <span className="text-soft text-sm">{room.storey}</span>
            <span className="flex-1" />
            {job.boxes
              .filter((box) => box.roomId === room.id)
              .map((box) => (
                <Link
                  key={box.id}
                  to={`/jobs/${job.id}/boxes/${box.id}/survey`}
                  className="text-primary underline"
                >
                  {box.label}
                </Link>
              ))}
            {job.circuits.length > 0 && (
              <Link
                to={`/jobs/${job.id}/boxes/new/survey?room=${room.id}`}
                className="btn btn-xs btn-outline"
                aria-label={`add a box in ${room.name}`}
              >
                add box
              </Link>
            )}
          </li>
        ))}
      </ul>
      {job.rooms.length > 0 && job.circuits.length === 0 && (
        <p className="text-soft mb-3">Add a circuit first, then boxes can be added here.</p>
      )}
      <form onSubmit={submit} className="grid grid-cols-2 items-end gap-3 sm:grid-cols-[1fr_1fr_auto]">
        <TextField label="Room" value={name} onChange={setName} required maxLength={120} />
        <TextField label="Storey" value={storey} onChange={setStorey} required maxLength={60} />
        <button type="submit" className="btn btn-outline" disabled={add.isPending}>
          add room
        </button>
      </form>
      {add.isError && <Failure error={add.error} />}
    </section>
  );
}
