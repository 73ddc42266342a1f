import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { api, type Schemas } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";
import { ImportPanel } from "./ImportPanel";
import { SheetLayout } from "./SheetLayout";

/** The house itself: circuits, rooms, and new boxes. */
export function HouseSheet({ job }: { job: Schemas["JobView"] }) {
  return (
    <SheetLayout title={job.name} detail={`${job.place ? `${job.place} · ` : ""}${job.regionLabel}`}>
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
      await queries.invalidateQueries({ queryKey: ["job", job] });
    },
  });
}

function Circuits({ job }: { job: Schemas["JobView"] }) {
  const [label, setLabel] = useState("");
  const [rating, setRating] = useState("10");
  const [phase, setPhase] = useState<Schemas["NewCircuit"]["phase"]>("L1");
  const [other, setOther] = useState(false);
  const add = useAdding(
    job.id,
    () =>
      api.addCircuit(job.id, {
        label,
        ratingAmps: Number(rating.replace(",", ".")),
        phase,
        alternativelySupplied: other,
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
              <th>Other supply</th>
            </tr>
          </thead>
          <tbody>
            {job.circuits.map((circuit) => (
              <tr key={circuit.id}>
                <td className="font-semibold">{circuit.label}</td>
                <td className="font-mono">{circuit.ratingAmps} A</td>
                <td>{circuit.phase}</td>
                <td>{circuit.alternativelySupplied ? "inverter, battery or generator" : "no"}</td>
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
