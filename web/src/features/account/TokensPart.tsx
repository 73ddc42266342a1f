import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, tokensOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { FreshLink } from "../people/FreshLink";

type Scope = Schemas["ScopeView"]["scope"];

/** Tokens for scripts: for some uses and some days, shown once. */
export function TokensPart({ scopes }: { scopes: Schemas["ScopeView"][] }) {
  const queries = useQueryClient();
  const tokens = useQuery(tokensOptions);
  const [label, setLabel] = useState("");
  const [days, setDays] = useState("90");
  const [chosen, setChosen] = useState<Scope[]>(["READ"]);
  const [fresh, setFresh] = useState<string>();
  const after = () => queries.invalidateQueries({ queryKey: tokensOptions.queryKey });
  const make = useMutation({
    mutationFn: () => api.makeToken({ label, scopes: chosen, days: Number(days) }),
    onSuccess: ({ token }) => {
      setFresh(token);
      setLabel("");
      after();
    },
  });
  const revoke = useMutation({ mutationFn: api.revokeToken, onSettled: after });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    make.mutate();
  };
  const good = tokens.data?.filter((token) => token.good) ?? [];
  return (
    <section className="border-line border-t py-4">
      <h2 className="text-lg">Tokens for scripts</h2>
      {(tokens.error ?? revoke.error) && <Failure error={(tokens.error ?? revoke.error) as Error} />}
      <ul>
        {good.map((token) => (
          <li
            key={token.id}
            className="border-line flex min-h-12 flex-wrap items-center gap-x-4 border-b py-1 last:border-b-0"
          >
            <span className="flex-1">
              {token.label}
              <span className="text-soft">
                , {token.scopes.join(", ").toLowerCase()}, until {moment(token.expiresAt)}
              </span>
            </span>
            <button
              type="button"
              className="btn btn-sm btn-outline"
              disabled={revoke.isPending}
              onClick={() => revoke.mutate(token.id)}
            >
              revoke
            </button>
          </li>
        ))}
      </ul>
      {fresh && (
        <FreshLink
          address={fresh}
          words="The token, shown this once. It is sent as Authorization: Bearer …"
          onDone={() => setFresh(undefined)}
        />
      )}
      <form onSubmit={submit} className="mt-3 space-y-3">
        <div className="grid gap-3 sm:grid-cols-[2fr_1fr]">
          <TextField label="What it is for" value={label} onChange={setLabel} required maxLength={120} />
          <TextField
            label="Good for, days"
            type="number"
            min={1}
            max={366}
            value={days}
            onChange={setDays}
            required
          />
        </div>
        <fieldset>
          <legend className="field-label">What it may do, never more than you</legend>
          {scopes.map(({ scope, label: words }) => (
            <label key={scope} className="flex min-h-11 items-center gap-3">
              <input
                type="checkbox"
                className="checkbox"
                checked={chosen.includes(scope)}
                onChange={(event) =>
                  setChosen(event.target.checked ? [...chosen, scope] : chosen.filter((s) => s !== scope))
                }
              />
              {words}
            </label>
          ))}
        </fieldset>
        {make.isError && <Failure error={make.error} />}
        <button type="submit" className="btn btn-outline" disabled={make.isPending || chosen.length === 0}>
          make a token
        </button>
      </form>
    </section>
  );
}
