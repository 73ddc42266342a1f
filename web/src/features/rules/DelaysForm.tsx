import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import type { Act } from "./RuleCard";

/** How long things take in this house: estimates until somebody has measured them. */
export function DelaysForm({
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
  const [typed, setTyped] = useState<Record<string, string>>({});
  const textOf = (delay: Schemas["DelayView"]) => typed[delay.key] ?? String(delay.ms);
  const keep = (event: FormEvent) => {
    event.preventDefault();
    const all = Object.fromEntries(view.delays.map((delay) => [delay.key, Number(textOf(delay))]));
    act(() => api.setDelays(job, { ...all, version: view.version } as unknown as Schemas["DelaysChange"]));
    setTyped({});
  };
  return (
    <form className="border-line mt-4 border-t pt-3" aria-label="delays" onSubmit={keep}>
      <h2 className="text-[16px]">How long things take</h2>
      <p className="text-soft mb-2 text-[14px]">
        Estimates of common practice. Type what you measured; reach, stories and the live house go by it.
      </p>
      <div className="grid gap-x-6 gap-y-1 sm:grid-cols-2">
        {view.delays.map((delay) => (
          <label key={delay.key} className="flex min-h-9 items-center justify-between gap-2 text-[14px]">
            <span>{delay.words}</span>
            <span className="flex items-center gap-1 whitespace-nowrap">
              <input
                type="number"
                min={0}
                max={10000}
                required
                className="input input-sm w-20 font-mono"
                value={textOf(delay)}
                onChange={(e) => {
                  const text = e.target.value;
                  setTyped((known) => ({ ...known, [delay.key]: text }));
                }}
              />
              <span className="text-soft w-24 text-[13px]">
                ms{delay.ms !== delay.usual && `, usual ${delay.usual}`}
              </span>
            </span>
          </label>
        ))}
      </div>
      <button
        type="submit"
        className="btn btn-sm btn-outline mt-2"
        disabled={busy || Object.keys(typed).length === 0}
      >
        keep these
      </button>
    </form>
  );
}
