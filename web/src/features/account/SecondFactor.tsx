import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { accountOptions, api } from "./api";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";

/** Codes of six digits beside the password: set up, confirmed, taken off. */
export function SecondFactor({ account }: { account: Schemas["AccountView"] }) {
  const queries = useQueryClient();
  const [password, setPassword] = useState("");
  const [code, setCode] = useState("");
  const [offered, setOffered] = useState<Schemas["OfferedFactor"]>();
  const [recovery, setRecovery] = useState<string[]>();
  const after = () => {
    setPassword("");
    setCode("");
    queries.invalidateQueries({ queryKey: accountOptions.queryKey });
  };
  const begin = useMutation({
    mutationFn: () => api.offerSecondFactor(password),
    onSuccess: (offer) => {
      setOffered(offer);
      setPassword("");
    },
  });
  const confirm = useMutation({
    mutationFn: () => api.confirmSecondFactor(code),
    onSuccess: ({ codes }) => {
      setOffered(undefined);
      setRecovery(codes);
      after();
    },
  });
  const remove = useMutation({ mutationFn: () => api.removeSecondFactor(password), onSuccess: after });
  const submit = (doing: { mutate: () => void }) => (event: FormEvent) => {
    event.preventDefault();
    doing.mutate();
  };
  return (
    <section className="border-line border-t py-4">
      <h2 className="text-lg">Second factor</h2>
      <p className="text-soft">
        {account.secondFactor
          ? `On. ${account.recoveryCodesLeft} recovery codes are left.`
          : "Off. With it a stolen password alone opens nothing: at each login you type six digits that your telephone shows."}
      </p>
      {recovery && <Recovery codes={recovery} onDone={() => setRecovery(undefined)} />}
      {offered ? (
        <form onSubmit={submit(confirm)} className="mt-3 flex flex-wrap items-start gap-5">
          <img
            src={`data:image/svg+xml,${encodeURIComponent(offered.picture)}`}
            alt="The secret, to be scanned by a program that shows codes"
            className="border-line h-48 w-48 border"
          />
          <div className="min-w-60 flex-1 space-y-3">
            <p>
              Scan it with any program that shows time-based codes (RFC 6238), or type it:{" "}
              <span className="font-mono break-all">{offered.text.replace(/(.{4})/g, "$1 ").trim()}</span>
            </p>
            <TextField
              label="The six digits it shows now"
              value={code}
              onChange={setCode}
              inputMode="numeric"
              autoComplete="one-time-code"
              required
            />
            {confirm.isError && <Failure error={confirm.error} />}
            <div className="flex gap-2">
              <button type="submit" className="btn btn-primary" disabled={confirm.isPending}>
                it shows codes: switch it on
              </button>
              <button type="button" className="btn btn-outline" onClick={() => setOffered(undefined)}>
                leave it
              </button>
            </div>
          </div>
        </form>
      ) : (
        <form
          onSubmit={submit(account.secondFactor ? remove : begin)}
          className="mt-2 flex flex-wrap items-end gap-3"
        >
          <TextField
            label="Your password"
            type="password"
            value={password}
            onChange={setPassword}
            autoComplete="current-password"
            required
          />
          <button
            type="submit"
            className={`btn ${account.secondFactor ? "btn-outline" : "btn-primary"}`}
            disabled={begin.isPending || remove.isPending}
          >
            {account.secondFactor ? "take it off" : "set it up"}
          </button>
        </form>
      )}
      {(begin.error ?? remove.error) && <Failure error={(begin.error ?? remove.error) as Error} />}
    </section>
  );
}

function Recovery({ codes, onDone }: { codes: string[]; onDone: () => void }) {
  return (
    <div role="status" className="border-primary bg-base-200 my-3 space-y-2 border-l-4 p-3">
      <p>
        It is on. These codes let you in when the telephone is lost, each once. Print them or write them down;
        they are shown this once.
      </p>
      <ul className="grid grid-cols-2 gap-x-6 font-mono text-[15px] sm:grid-cols-3">
        {codes.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
      <div className="no-print flex gap-2">
        <button type="button" className="btn btn-sm btn-outline" onClick={() => window.print()}>
          print
        </button>
        <button type="button" className="btn btn-sm btn-primary" onClick={onDone}>
          they are safe, hide them
        </button>
      </div>
    </div>
  );
}
