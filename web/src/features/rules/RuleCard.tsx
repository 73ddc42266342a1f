import { Trash2 } from "lucide-react";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Mark } from "../../ui/Mark";
import { Sentence } from "./Sentence";
import { SentenceParts } from "./SentenceParts";

type View = Schemas["RulesView"];
export type Act = (change: () => Promise<View>) => void;

/** One rule as a sentence, with where it runs and when it is due. */
export function RuleCard({
  job,
  view,
  rule,
  act,
  busy,
}: {
  job: string;
  view: View;
  rule: Schemas["RuleView"];
  act: Act;
  busy: boolean;
}) {
  const found = view.findings.filter((f) => f.rules.includes(rule.id));
  const worst = found[0]?.finding.severity;
  const change = (part: Partial<Schemas["RuleChange"]>) =>
    act(() =>
      api.changeRule(job, rule.id, {
        version: view.version,
        name: rule.name,
        on: rule.on,
        enabled: rule.enabled,
        ...part,
      }),
    );
  return (
    <article
      aria-label={rule.name}
      className={`rounded-[4px] border-[1.5px] p-3 ${worst && worst !== "NOTE" ? "border-warning" : "border-line"} ${rule.enabled ? "" : "opacity-70"}`}
    >
      <div className="mb-1 flex items-center gap-2">
        {rule.enabled && <Mark kind={worst ?? "OK"} size={16} />}
        <h2 className="min-w-0 flex-1 text-[15px]">{rule.name}</h2>
        <label className="flex cursor-pointer items-center gap-1.5 text-[13px]">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={rule.enabled}
            disabled={busy}
            onChange={(e) => change({ enabled: e.target.checked })}
          />
          acts
        </label>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label={`take "${rule.name}" away`}
          disabled={busy}
          onClick={() => act(() => api.removeRule(job, rule.id, view.version))}
        >
          <Trash2 size={15} aria-hidden />
        </button>
      </div>
      <Sentence
        pieces={rule.sentence}
        choices={view.choices}
        busy={busy}
        onFill={(pointer, value) =>
          act(() => api.fillSlot(job, rule.id, { version: view.version, pointer, value: value as never }))
        }
      />
      <SentenceParts
        name={rule.name}
        parts={view.parts}
        own={rule.parts}
        busy={busy}
        onAdd={(part) =>
          act(() =>
            api.addRulePart(job, rule.id, {
              version: view.version,
              part: part as Schemas["NewRulePart"]["part"],
            }),
          )
        }
        onTake={(pointer) => act(() => api.takeRulePart(job, rule.id, view.version, pointer))}
      />
      <div className="text-soft mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px]">
        <label className="flex items-center gap-1">
          runs
          <select
            className="select select-xs w-40"
            value={rule.on}
            disabled={busy}
            onChange={(e) => change({ on: e.target.value as Schemas["RuleView"]["on"] })}
          >
            {view.runs.map((place) => (
              <option key={place.code} value={place.code}>
                {place.label}
              </option>
            ))}
          </select>
        </label>
        {rule.nextUnknown && <span>{rule.nextUnknown}</span>}
        {rule.next[0] && (
          <details>
            <summary className="cursor-pointer">next {when(rule.next[0])}</summary>
            <ol className="font-mono mt-1 list-decimal pl-6">
              {rule.next.map((at) => (
                <li key={at}>{when(at)}</li>
              ))}
            </ol>
          </details>
        )}
      </div>
    </article>
  );
}

/** By the clock of the house, and not by the one that looks at it. */
function when(at: string) {
  const [date = "", time = ""] = at.split("T");
  const day = new Date(`${date}T12:00:00Z`).toLocaleDateString("en-GB", {
    weekday: "short",
    day: "numeric",
    month: "short",
    timeZone: "UTC",
  });
  return `${day}, ${time.slice(0, 5)}`;
}
