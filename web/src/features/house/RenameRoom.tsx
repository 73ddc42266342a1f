import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";

/** Calls a room otherwise; what bears its name follows when the modules are renamed on the bench. */
export function RenameRoom({ job }: { job: Schemas["JobView"] }) {
  const queries = useQueryClient();
  const [room, setRoom] = useState(job.rooms[0]?.id ?? "");
  const [name, setName] = useState("");
  const was = job.rooms.find((r) => r.id === room)?.name ?? "";
  const rename = useMutation({
    mutationFn: () => api.renameRoom(room, { was, name }),
    onSuccess: () => {
      setName("");
      queries.invalidateQueries(about({ job: job.id }));
    },
  });
  if (job.rooms.length === 0) {
    return null;
  }
  return (
    <form
      aria-label="rename a room"
      className="mt-5 flex flex-wrap items-end gap-3"
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        rename.mutate();
      }}
    >
      <Choice
        label="Call the room"
        value={room}
        options={job.rooms.map((r) => ({ value: r.id, label: r.name }))}
        onChange={setRoom}
        className="w-52"
      />
      <TextField label="from now on" value={name} onChange={setName} required className="w-52" />
      <button type="submit" className="btn btn-outline" disabled={rename.isPending || !name.trim()}>
        rename it
      </button>
      {rename.isSuccess && (
        <span className="text-[14px]">
          Renamed.{" "}
          <Link className="link link-primary" to={`/jobs/${job.id}/bench`}>
            Modules that have another name now are on the bench, under Names.
          </Link>
        </span>
      )}
      {rename.isError && <Failure error={rename.error} />}
    </form>
  );
}
