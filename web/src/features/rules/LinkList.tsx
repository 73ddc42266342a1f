import { Trash2 } from "lucide-react";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Choice } from "../../ui/Choice";
import type { Act } from "./RuleCard";

/** Switches that act on lamps of other modules, and how. */
export function LinkList({
  job,
  view,
  act,
  busy,
}: {
  job: string;
  view: Schemas["RulesView"];
  act: Act;
  busy: boolean;
}) {
  const controls = view.choices.CONTROL ?? [];
  const outputs = view.choices.OUTPUT ?? [];
  const [control, setControl] = useState(controls[0]?.code ?? "");
  const [output, setOutput] = useState((outputs[1] ?? outputs[0])?.code ?? "");
  if (controls.length === 0 || outputs.length === 0) {
    return null;
  }
  const add = (event: FormEvent) => {
    event.preventDefault();
    act(() =>
      api.linkControl(job, {
        version: view.version,
        control: control || (controls[0]?.code ?? ""),
        output: output || (outputs[0]?.code ?? ""),
        way: "HUB",
        effect: "TOGGLE",
        throughGroup: false,
      }),
    );
  };
  return (
    <section aria-label="links" className="border-line border-t pt-3">
      <h2 className="mb-2 text-[16px]">Links</h2>
      <ul className="mb-3 space-y-2">
        {view.links.map((link) => (
          <li key={link.id} className="flex flex-wrap items-center gap-2">
            <span className="min-w-0 flex-1">{link.sentence}</span>
            {link.wired && (
              <span className="text-soft basis-full text-[13px]">belongs to the wiring; {link.wired}</span>
            )}
            {!link.wired && (
              <select
                className="select select-sm w-44"
                aria-label={`way of: ${link.sentence}`}
                value={link.way}
                disabled={busy}
                onChange={(e) => {
                  const way = e.target.value as Schemas["HouseLinkView"]["way"];
                  act(() => api.linkBy(job, link.id, way, view.version));
                }}
              >
                {link.ways.map((way) => (
                  <option key={way.code} value={way.code}>
                    {way.label}
                  </option>
                ))}
              </select>
            )}
            {!link.wired && (
              <button
                type="button"
                className="btn btn-ghost btn-xs btn-square"
                aria-label={`take the link away: ${link.sentence}`}
                disabled={busy}
                onClick={() => act(() => api.removeRule(job, link.id, view.version))}
              >
                <Trash2 size={15} aria-hidden />
              </button>
            )}
          </li>
        ))}
      </ul>
      <form className="flex flex-wrap items-end gap-2" onSubmit={add}>
        <Choice
          label="Let"
          value={control}
          options={controls.map((c) => ({ value: c.code, label: c.label }))}
          onChange={setControl}
          className="w-64"
        />
        <Choice
          label="change"
          value={output}
          options={outputs.map((o) => ({ value: o.code, label: o.label }))}
          onChange={setOutput}
          className="w-64"
        />
        <button type="submit" className="btn btn-outline" disabled={busy}>
          link them
        </button>
      </form>
    </section>
  );
}
