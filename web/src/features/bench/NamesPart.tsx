import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api, namesOptions } from "./api";
import { Failure } from "../../ui/Failure";

type Token = Schemas["NamingChange"]["tokens"][number];

/** How the modules of the job are called: tokens in an order, what comes of it, and what would change. */
export function NamesPart({ job }: { job: string }) {
  const queries = useQueryClient();
  const names = useQuery(namesOptions(job));
  const done = () => queries.invalidateQueries(about({ job }));
  const change = useMutation({
    mutationFn: (tokens: Token[]) => api.changeNaming(job, { tokens }),
    onSuccess: done,
  });
  const rename = useMutation({ mutationFn: () => api.renameAll(job), onSuccess: done });
  const tokens = names.data?.tokens ?? [];
  const toggle = (token: Token) =>
    change.mutate(tokens.includes(token) ? tokens.filter((t) => t !== token) : [...tokens, token]);
  return (
    <details className="mt-6">
      <summary className="cursor-pointer text-[17px] font-semibold">Names</summary>
      {names.isError && <Failure error={names.error} onRetry={() => names.refetch()} />}
      <fieldset className="mt-2 flex flex-wrap items-center gap-1.5">
        <legend className="sr-only">Tokens of a name, in the order in which they are pressed</legend>
        {names.data?.choices.map(({ token, words }) => {
          const at = tokens.indexOf(token);
          return (
            <button
              key={token}
              type="button"
              aria-pressed={at >= 0}
              className={`btn btn-sm ${at >= 0 ? "btn-neutral" : "btn-outline"}`}
              disabled={change.isPending || (at >= 0 && tokens.length === 1)}
              onClick={() => toggle(token)}
            >
              {at >= 0 && <span className="font-mono">{at + 1}</span>} {words}
            </button>
          );
        })}
        <span className="text-soft text-[13px]">
          at most {names.data?.displayCharacters} characters, and {names.data?.handleCharacters} as topic and
          host name
        </span>
      </fieldset>
      {names.data && names.data.renamings.length > 0 && (
        <div className="border-warning mt-3 border-l-4 pl-3">
          <p>
            {new Set(names.data.renamings.map((r) => r.place)).size} modules have another name than this
            makes. Device, hub, rules and label change together.
          </p>
          <ul className="font-mono text-[13px]">
            {names.data.renamings.map((r) => (
              <li key={r.place + r.to.handle}>
                {r.from.handle} → {r.to.handle}
              </li>
            ))}
          </ul>
          {names.data.rules.length > 0 && (
            <>
              <p className="mt-1 text-[14px]">Rules that speak of them read:</p>
              <ul className="text-[14px]">
                {names.data.rules.map((sentence) => (
                  <li key={sentence}>{sentence}</li>
                ))}
              </ul>
            </>
          )}
          <button
            type="button"
            className="btn btn-sm btn-outline mt-1"
            disabled={rename.isPending}
            onClick={() => rename.mutate()}
          >
            rename them
          </button>
        </div>
      )}
      {change.isError && <Failure error={change.error} />}
      {rename.isError && <Failure error={rename.error} />}
      <table className="table-sm mt-3 table">
        <thead>
          <tr>
            <th>Where</th>
            <th>Name</th>
            <th>As topic and host name</th>
          </tr>
        </thead>
        <tbody>
          {names.data?.names.map((name) => (
            <tr key={name.place}>
              <td>
                {name.room}, {name.box}
              </td>
              <td>{name.display}</td>
              <td className="font-mono">{name.handle}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
