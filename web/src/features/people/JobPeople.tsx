import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, assignedOptions, guestLinksOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { FreshLink } from "./FreshLink";

/** Who works on a job, and the links of its household. */
export function JobPeople({ job }: { job: string }) {
  return (
    <div className="border-line grid gap-4 border-t pt-3 sm:grid-cols-2">
      <Workers job={job} />
      <Guests job={job} />
    </div>
  );
}

function Workers({ job }: { job: string }) {
  const queries = useQueryClient();
  const people = useQuery(assignedOptions(job));
  const assign = useMutation({
    mutationFn: (ids: string[]) => api.assign(job, ids),
    onSettled: () => queries.invalidateQueries({ queryKey: assignedOptions(job).queryKey }),
  });
  // What was ticked shows at once, in the very event: the state of the mutation comes a moment later. The server's answer takes its place.
  const [ticked, setTicked] = useState<string[]>();
  const assigned = ticked ?? people.data?.filter((p) => p.assigned).map((p) => p.id) ?? [];
  const tick = (ids: string[]) => {
    setTicked(ids);
    assign.mutate(ids, { onSettled: () => setTicked(undefined) });
  };
  const fitters = people.data?.filter((p) => !p.always) ?? [];
  return (
    <fieldset>
      <legend className="font-semibold">Works here</legend>
      {people.isError && <Failure error={people.error} />}
      {assign.isError && <Failure error={assign.error} />}
      <p className="text-soft text-[14px]">
        {people.data
          ?.filter((p) => p.always)
          .map((p) => p.displayName)
          .join(", ")}
        : leads work on every job.
      </p>
      {fitters.length === 0 && <p className="text-soft text-[14px]">There is no fitter yet.</p>}
      {fitters.map((person) => (
        <label key={person.id} className="flex min-h-11 items-center gap-3">
          <input
            type="checkbox"
            className="checkbox"
            checked={assigned.includes(person.id)}
            onChange={(event) =>
              tick(
                event.target.checked ? [...assigned, person.id] : assigned.filter((id) => id !== person.id),
              )
            }
          />
          {person.displayName}
        </label>
      ))}
    </fieldset>
  );
}

function Guests({ job }: { job: string }) {
  const queries = useQueryClient();
  const links = useQuery(guestLinksOptions(job));
  const [label, setLabel] = useState("");
  const [fresh, setFresh] = useState<string>();
  const after = () => queries.invalidateQueries({ queryKey: guestLinksOptions(job).queryKey });
  const make = useMutation({
    mutationFn: () => api.makeGuestLink(job, { label, days: 30 }),
    onSuccess: (link) => {
      setFresh(link.text);
      setLabel("");
      after();
    },
  });
  const revoke = useMutation({
    mutationFn: (link: string) => api.revokeGuestLink(job, link),
    onSettled: after,
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    make.mutate();
  };
  return (
    <section>
      <h3 className="font-semibold">The household reads</h3>
      <p className="text-soft text-[14px]">
        Its guide and its live house, by a link that is good for 30 days. Nothing else, and nothing can be
        changed by it.
      </p>
      {(links.error ?? make.error ?? revoke.error) && (
        <Failure error={(links.error ?? make.error ?? revoke.error) as Error} />
      )}
      <ul>
        {links.data?.map((link) => (
          <li key={link.id} className="flex min-h-11 items-center gap-3 text-[14px]">
            <span className="flex-1">
              {link.label}, until {moment(link.expiresAt)}
            </span>
            <button
              type="button"
              className="btn btn-xs btn-outline"
              disabled={revoke.isPending}
              onClick={() => revoke.mutate(link.id)}
            >
              take away
            </button>
          </li>
        ))}
      </ul>
      {fresh && (
        <FreshLink
          address={`${window.location.origin}/visit#${fresh}`}
          words="Send this link to the household. It is shown this once."
          onDone={() => setFresh(undefined)}
        />
      )}
      <form onSubmit={submit} className="mt-1 flex items-end gap-2">
        <TextField label="For whom" value={label} onChange={setLabel} required maxLength={120} />
        <button type="submit" className="btn btn-sm btn-outline" disabled={make.isPending}>
          make a link
        </button>
      </form>
    </section>
  );
}
