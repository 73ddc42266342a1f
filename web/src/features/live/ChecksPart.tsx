import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Play, Trash2 } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, checksOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { Waiting } from "../../ui/Waiting";
import { Sentence } from "../rules/Sentence";
import { SentenceParts } from "../rules/SentenceParts";
import { CheckResult } from "./CheckResult";

type View = Schemas["ChecksView"];

/** Checks of the house as sentences that its people write, each tried on a clock of its own. */
export function ChecksPart({ job }: { job: string }) {
  const queries = useQueryClient();
  const checks = useQuery(checksOptions(job));
  const [results, setResults] = useState<Record<string, Schemas["CheckResultView"]>>({});
  const act = useMutation({
    mutationFn: (change: () => Promise<View>) => change(),
    onSuccess: (view) => queries.setQueryData(checksOptions(job).queryKey, view),
  });
  const run = useMutation({
    mutationFn: async (ids: string[]) => {
      for (const id of ids) {
        const result = await api.runCheck(job, id);
        setResults((known) => ({ ...known, [id]: result }));
      }
    },
  });
  if (checks.isPending) {
    return <Waiting what="the checks" />;
  }
  const view = checks.data;
  if (!view) {
    return <Failure error={checks.error} onRetry={() => checks.refetch()} />;
  }
  const change = (id: string, what: () => Promise<View>) => {
    act.mutate(what);
    setResults(({ [id]: _, ...others }) => others);
  };
  return (
    <div className="space-y-3">
      {act.isError && <Failure error={act.error} />}
      {run.isError && <Failure error={run.error} />}
      {view.checks.length === 0 && (
        <p className="text-soft">
          No checks yet. Add one: it begins with the first switch of the house, and every underlined word can
          be another.
        </p>
      )}
      {view.checks.map((check) => (
        <article key={check.id} aria-label={check.name} className="border-edge rounded-[4px] border p-3">
          <div className="mb-1 flex flex-wrap items-center gap-2">
            <CheckName
              key={check.name}
              name={check.name}
              onName={(name) =>
                change(check.id, () => api.nameCheck(job, check.id, { version: view.version, name }))
              }
            />
            <button
              type="button"
              className="btn btn-sm btn-outline btn-primary"
              disabled={run.isPending}
              onClick={() => run.mutate([check.id])}
            >
              <Play size={15} aria-hidden /> try
            </button>
            <button
              type="button"
              className="btn btn-sm btn-ghost"
              aria-label={`take ${check.name} away`}
              onClick={() => change(check.id, () => api.removeCheck(job, check.id, view.version))}
            >
              <Trash2 size={15} aria-hidden />
            </button>
          </div>
          <Sentence
            pieces={check.sentence}
            choices={view.choices}
            busy={act.isPending}
            onFill={(pointer, value) =>
              change(check.id, () =>
                api.fillCheckSlot(job, check.id, {
                  version: view.version,
                  pointer,
                  value: value as Schemas["CheckFilling"]["value"],
                }),
              )
            }
          />
          <SentenceParts
            name={check.name}
            parts={view.parts}
            own={check.parts}
            busy={act.isPending}
            onAdd={(part) =>
              change(check.id, () =>
                api.addCheckPart(job, check.id, {
                  version: view.version,
                  part: part as Schemas["NewCheckPart"]["part"],
                }),
              )
            }
            onTake={(pointer) =>
              change(check.id, () => api.takeCheckPart(job, check.id, view.version, pointer))
            }
          />
          {results[check.id] && <CheckResult result={results[check.id] as Schemas["CheckResultView"]} />}
        </article>
      ))}
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-outline"
          disabled={act.isPending}
          onClick={() => act.mutate(() => api.addCheck(job, view.version))}
        >
          add a check
        </button>
        {view.checks.length > 1 && (
          <button
            type="button"
            className="btn btn-primary"
            disabled={run.isPending}
            onClick={() => run.mutate(view.checks.map((check) => check.id))}
          >
            {run.isPending ? "trying …" : `try all ${view.checks.length}`}
          </button>
        )}
      </div>
    </div>
  );
}

function CheckName({ name, onName }: { name: string; onName: (name: string) => void }) {
  const [typed, setTyped] = useState(name);
  return (
    <input
      className="input input-sm input-ghost min-w-0 flex-1 text-[16px] font-semibold"
      aria-label="name of the check"
      maxLength={80}
      value={typed}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => typed.trim() && typed !== name && onName(typed.trim())}
      onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
    />
  );
}
