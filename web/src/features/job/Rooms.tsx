import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";
import { api } from "./api";

type Room = Schemas["RoomView"];

/** The rooms with their boxes: added, renamed and taken away. */
export function Rooms({ job }: { job: Schemas["JobView"] }) {
  const last = job.rooms.at(-1)?.storey ?? "Ground floor";
  const [name, setName] = useState("");
  const [storey, setStorey] = useState(last);
  const [changing, setChanging] = useState<Room>();
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries(about({ job: job.id }));
  const end = () => {
    setName("");
    setChanging(undefined);
  };
  const keep = useMutation({
    mutationFn: () =>
      changing
        ? api.renameRoom(changing.id, { was: changing.name, name, storey })
        : api.addRoom(job.id, { name, storey }),
    onSuccess: () => {
      end();
      return again();
    },
  });
  const remove = useMutation({
    mutationFn: (room: Room) => api.removeRoom(room.id, room.version),
    onSuccess: again,
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate();
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
            <span className="no-print flex gap-1">
              {job.circuits.length > 0 && (
                <Link
                  to={`/jobs/${job.id}/boxes/new/survey?room=${room.id}`}
                  className="btn btn-xs btn-outline"
                  aria-label={`add a box in ${room.name}`}
                >
                  add box
                </Link>
              )}
              <button
                type="button"
                className="btn btn-xs btn-outline"
                aria-label={`change ${room.name}`}
                onClick={() => {
                  setChanging(room);
                  setName(room.name);
                  setStorey(room.storey);
                }}
              >
                change
              </button>
              {job.boxes.every((box) => box.roomId !== room.id) && (
                <button
                  type="button"
                  className="btn btn-xs btn-outline"
                  aria-label={`take ${room.name} away`}
                  disabled={remove.isPending}
                  onClick={() => remove.mutate(room)}
                >
                  take away
                </button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {remove.isError && <Failure error={remove.error} />}
      {job.rooms.length > 0 && job.circuits.length === 0 && (
        <p className="text-soft mb-3">Add a circuit first, then boxes can be added here.</p>
      )}
      <form
        onSubmit={submit}
        aria-label={changing ? `put ${changing.name} right` : undefined}
        className="grid grid-cols-2 items-end gap-3 sm:grid-cols-[1fr_1fr_auto]"
      >
        <TextField label="Room" value={name} onChange={setName} required maxLength={80} />
        <TextField label="Storey" value={storey} onChange={setStorey} required maxLength={60} />
        <span className="flex gap-2">
          <button
            type="submit"
            className={`btn ${changing ? "btn-primary" : "btn-outline"}`}
            disabled={keep.isPending}
          >
            {changing ? "keep" : "add room"}
          </button>
          {changing && (
            <button type="button" className="btn btn-outline" onClick={end}>
              leave it
            </button>
          )}
        </span>
      </form>
      {changing && name !== changing.name && (
        <p className="text-soft mt-1 text-sm">
          Modules keep their names until they are renamed on the bench.
        </p>
      )}
      {keep.isError && <Failure error={keep.error} />}
    </section>
  );
}
