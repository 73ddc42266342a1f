import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, peopleOptions } from "./api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { TopBar } from "../job/TopBar";
import { FreshLink } from "./FreshLink";

type Role = Schemas["PersonView"]["role"];

const ROLES: { value: Role; label: string }[] = [
  { value: "FITTER", label: "Fitter" },
  { value: "LEAD", label: "Lead" },
  { value: "OWNER", label: "Owner" },
];

/** The people of the firm: invited, given a role, shut out. */
export function PeoplePage() {
  const queries = useQueryClient();
  const people = useQuery(peopleOptions);
  const [fresh, setFresh] = useState<{ name: string; text: string }>();
  const change = useMutation({
    mutationFn: (doing: () => Promise<unknown>) => doing(),
    onSettled: () => queries.invalidateQueries({ queryKey: peopleOptions.queryKey }),
  });
  const again = useMutation({
    mutationFn: (person: Schemas["PersonView"]) => api.inviteAgain(person.id),
    onSuccess: (link, person) => setFresh({ name: person.displayName, text: link.text }),
  });
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="mx-auto w-full max-w-4xl flex-1 overflow-y-auto p-4 sm:p-6">
        <h1 className="text-2xl">People</h1>
        <p className="text-soft mt-1 mb-4 max-w-2xl">
          A lead works on every job and sees prices. A fitter works on the jobs that were assigned in the day
          book, without prices, and opens no codes. An owner does all that and invites people.
        </p>
        {people.isPending && <Waiting what="the people" />}
        {people.isError && <Failure error={people.error} onRetry={() => people.refetch()} />}
        {(change.error ?? again.error) && <Failure error={(change.error ?? again.error) as Error} />}
        <ul>
          {people.data?.people.map((person) => (
            <Person
              key={person.id}
              person={person}
              busy={change.isPending || again.isPending}
              onChange={(body) => change.mutate(() => api.changePerson(person.id, body))}
              onAgain={() => again.mutate(person)}
            />
          ))}
        </ul>
        {fresh && (
          <FreshLink
            address={`${window.location.origin}/invited#${fresh.text}`}
            words={`Send this link to ${fresh.name}. It is shown this once and good for seven days; whoever has it sets the password.`}
            onDone={() => setFresh(undefined)}
          />
        )}
        <Invite onMade={setFresh} />
        {(people.data?.invitations.length ?? 0) > 0 && (
          <section className="mt-6">
            <h2 className="mb-1 text-lg">Invited, not come yet</h2>
            <ul>
              {people.data?.invitations.map((invitation) => (
                <li
                  key={invitation.id}
                  className="border-line flex min-h-12 flex-wrap items-center gap-x-4 border-b py-1"
                >
                  <span className="flex-1">
                    {invitation.displayName}, {invitation.roleLabel.toLowerCase()}
                    <span className="text-soft">, good until {moment(invitation.expiresAt)}</span>
                  </span>
                  <button
                    type="button"
                    className="btn btn-sm btn-outline"
                    onClick={() => change.mutate(() => api.withdrawInvitation(invitation.id))}
                  >
                    withdraw
                  </button>
                </li>
              ))}
            </ul>
          </section>
        )}
      </main>
    </div>
  );
}

function Person({
  person,
  busy,
  onChange,
  onAgain,
}: {
  person: Schemas["PersonView"];
  busy: boolean;
  onChange: (body: Schemas["PersonChange"]) => void;
  onAgain: () => void;
}) {
  const [sure, setSure] = useState(false);
  const jobs = person.jobs.length;
  return (
    <li className="border-line flex flex-wrap items-center gap-x-4 gap-y-2 border-b py-2">
      <div className={`min-w-52 flex-1 ${person.disabled ? "text-soft" : ""}`}>
        <p className="font-semibold">
          {person.displayName}
          {person.disabled && <span className="font-normal"> (shut out)</span>}
        </p>
        <p className="text-soft text-[14px]">
          <span className="font-mono">{person.name}</span>,{" "}
          {person.secondFactor ? "second factor" : "password only"}
          {person.role === "FITTER" && `, ${jobs === 1 ? "1 job" : `${jobs} jobs`}`}
        </p>
      </div>
      <Choice
        label={`Role of ${person.displayName}`}
        hideLabel
        value={person.role}
        options={ROLES}
        onChange={(role) => onChange({ role, disabled: person.disabled })}
        className="w-32"
      />
      <button type="button" className="btn btn-sm btn-outline" disabled={busy} onClick={onAgain}>
        new password link
      </button>
      {sure ? (
        <>
          <button
            type="button"
            className="btn btn-sm btn-error"
            disabled={busy}
            onClick={() => {
              onChange({ role: person.role, disabled: true });
              setSure(false);
            }}
          >
            shut out now
          </button>
          <button type="button" className="btn btn-sm btn-outline" onClick={() => setSure(false)}>
            leave it
          </button>
        </>
      ) : (
        <button
          type="button"
          className="btn btn-sm btn-outline"
          disabled={busy}
          onClick={() => (person.disabled ? onChange({ role: person.role, disabled: false }) : setSure(true))}
        >
          {person.disabled ? "let in again" : "shut out"}
        </button>
      )}
    </li>
  );
}

function Invite({ onMade }: { onMade: (fresh: { name: string; text: string }) => void }) {
  const queries = useQueryClient();
  const [displayName, setDisplayName] = useState("");
  const [role, setRole] = useState<Role>("FITTER");
  const invite = useMutation({
    mutationFn: () => api.invite({ displayName, role }),
    onSuccess: (link) => {
      onMade({ name: displayName, text: link.text });
      setDisplayName("");
      queries.invalidateQueries({ queryKey: peopleOptions.queryKey });
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    invite.mutate();
  };
  return (
    <section className="mt-6">
      <h2 className="mb-2 text-lg">Invite somebody</h2>
      <form onSubmit={submit} className="grid items-end gap-3 sm:grid-cols-[2fr_1fr_auto]">
        <TextField
          label="Name, as it stands on papers"
          value={displayName}
          onChange={setDisplayName}
          required
          maxLength={120}
        />
        <Choice label="Role" value={role} options={ROLES} onChange={setRole} />
        <button type="submit" className="btn btn-primary" disabled={invite.isPending}>
          make the link
        </button>
      </form>
      {invite.isError && <Failure error={invite.error} />}
    </section>
  );
}
