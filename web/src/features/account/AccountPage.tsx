import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { aboutOptions, accountOptions, api } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { TopBar } from "../job/TopBar";
import { SecondFactor } from "./SecondFactor";
import { TokensPart } from "./TokensPart";

/** Somebody's own account. */
export function AccountPage() {
  const account = useQuery(accountOptions);
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="mx-auto w-full max-w-3xl flex-1 overflow-y-auto p-4 sm:p-6">
        {account.isPending && <Waiting what="your account" />}
        {account.isError && <Failure error={account.error} onRetry={() => account.refetch()} />}
        {account.data && (
          <>
            <h1 className="text-2xl">{account.data.displayName}</h1>
            <p className="text-soft mb-5">
              {account.data.roleLabel}, logs in as <span className="font-mono">{account.data.name}</span>
            </p>
            <SecondFactor account={account.data} />
            <Logins logins={account.data.logins} />
            <Password />
            <TokensPart scopes={account.data.scopes} />
            <About />
          </>
        )}
      </main>
    </div>
  );
}

/** Which clerk this is: what whoever keeps it running is asked first. */
function About() {
  const about = useQuery(aboutOptions);
  if (!about.data) {
    return null;
  }
  const { version, commit, builtAt, java, database, schema, node } = about.data;
  return (
    <section className="border-line border-t py-4">
      <h2 className="text-lg">This clerk</h2>
      <p className="text-soft">
        Version <span className="font-mono">{version}</span>
        {commit && (
          <>
            {" "}
            from <span className="font-mono">{commit}</span>
          </>
        )}
        {builtAt && `, built ${moment(builtAt)}`}; answered by <span className="font-mono">{node}</span>; Java{" "}
        {java}; database {database}, tables of version {schema}.
      </p>
    </section>
  );
}

function Logins({ logins }: { logins: Schemas["LoginView"][] }) {
  const queries = useQueryClient();
  const end = useMutation({
    mutationFn: (login: string) => api.endLogin(login),
    onSettled: () => queries.invalidateQueries({ queryKey: accountOptions.queryKey }),
  });
  return (
    <section className="border-line border-t py-4">
      <h2 className="text-lg">Where you are logged in</h2>
      {end.isError && <Failure error={end.error} />}
      <ul>
        {logins.map((login) => (
          <li
            key={login.id}
            className="border-line flex min-h-12 flex-wrap items-center gap-x-4 border-b py-1 last:border-b-0"
          >
            <span className="flex-1">
              {login.device}
              <span className="text-soft">
                , from {login.address}, since {moment(login.since)}, last used {moment(login.lastUsed)}
              </span>
            </span>
            {login.own ? (
              <span className="text-soft text-[14px]">this one</span>
            ) : (
              <button
                type="button"
                className="btn btn-sm btn-outline"
                disabled={end.isPending}
                onClick={() => end.mutate(login.id)}
              >
                end it
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Password() {
  const queries = useQueryClient();
  const [was, setWas] = useState("");
  const [password, setPassword] = useState("");
  const change = useMutation({
    mutationFn: () => api.changePassword({ was, password }),
    onSuccess: () => {
      setWas("");
      setPassword("");
      queries.invalidateQueries({ queryKey: accountOptions.queryKey });
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    change.mutate();
  };
  return (
    <section className="border-line border-t py-4">
      <h2 className="text-lg">Password</h2>
      <form onSubmit={submit} className="mt-2 grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]">
        <TextField
          label="The one of now"
          type="password"
          value={was}
          onChange={setWas}
          autoComplete="current-password"
          required
        />
        <TextField
          label="The new one, 12 characters or more"
          type="password"
          value={password}
          onChange={setPassword}
          autoComplete="new-password"
          required
        />
        <button type="submit" className="btn btn-outline" disabled={change.isPending}>
          change it
        </button>
      </form>
      {change.isError && <Failure error={change.error} />}
      {change.isSuccess && (
        <p role="status" className="mt-2">
          Changed. Every other login of yours has ended.
        </p>
      )}
    </section>
  );
}
