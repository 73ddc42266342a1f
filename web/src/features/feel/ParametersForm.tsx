import type { Schemas } from "../../api/transport";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/TextField";
import type { Behaviour, Parameters } from "./sequence";

type TimeKey = "debounceMs" | "holdMs" | "runOnMs" | "reversePauseMs";

const TIMES: { key: TimeKey; label: string; of: Behaviour[] | "all"; seconds?: boolean }[] = [
  { key: "debounceMs", label: "Debounce, ms", of: "all" },
  { key: "holdMs", label: "Long from, ms", of: ["SHORT_LONG"] },
  { key: "runOnMs", label: "Runs on for, s", of: ["RUN_ON"], seconds: true },
  { key: "reversePauseMs", label: "Pause before it turns, ms", of: ["UP_DOWN"] },
];

/** What a behaviour can be set to, with units; limits are the server's and are shown when one is passed. */
export function ParametersForm({
  behaviour,
  parameters,
  powerOns,
  advice,
  onChange,
}: {
  behaviour: Behaviour;
  parameters: Parameters;
  powerOns: Schemas["FeelChoice"][];
  advice?: Schemas["AdviceView"];
  onChange: (parameters: Parameters) => void;
}) {
  const set = (change: Partial<Parameters>) => onChange({ ...parameters, ...change });
  return (
    <fieldset className="border-line space-y-2 border-t pt-3">
      <legend className="sr-only">Parameters</legend>
      <div className="flex flex-wrap items-end gap-3">
        {TIMES.filter((t) => t.of === "all" || t.of.includes(behaviour)).map((t) => (
          <TextField
            key={`${t.key} ${behaviour}`}
            label={t.label}
            inputMode="numeric"
            pattern="[0-9]+"
            value={String(t.seconds ? Math.round(parameters[t.key] / 1000) : parameters[t.key])}
            onChange={(text) => set({ [t.key]: (Number.parseInt(text, 10) || 0) * (t.seconds ? 1000 : 1) })}
            className="w-40"
          />
        ))}
        {behaviour !== "SUPPLY_BLINK" && (
          <Choice
            label="At rest the contact is"
            value={parameters.rest}
            options={[
              { value: "OPEN", label: "open" },
              { value: "CLOSED", label: "closed" },
            ]}
            onChange={(rest) => set({ rest })}
            className="w-36"
          />
        )}
        <Choice
          label="When the supply comes back"
          value={parameters.powerOn}
          options={powerOns.map((p) => ({ value: p.code as Parameters["powerOn"], label: p.label }))}
          onChange={(powerOn) => set({ powerOn })}
          className="w-56"
        />
        {behaviour === "POSITION_RULES" && (
          <Tick label="inverted" checked={parameters.inverted} onChange={(inverted) => set({ inverted })} />
        )}
        {behaviour === "RUN_ON" && (
          <Tick
            label="a second press stops it"
            checked={parameters.pressStops}
            onChange={(pressStops) => set({ pressStops })}
          />
        )}
      </div>
      {advice && advice.powerOn !== parameters.powerOn && (
        <p className="text-[14px]">
          Usual here: <b>{powerOns.find((p) => p.code === advice.powerOn)?.label}</b>, because{" "}
          {advice.powerOnReason}.{" "}
          <button
            type="button"
            className="btn btn-xs btn-outline"
            onClick={() => set({ powerOn: advice.powerOn })}
          >
            take that
          </button>
        </p>
      )}
    </fieldset>
  );
}

function Tick({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex h-10 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={checked}
        onChange={(e) => onChange(e.target.checked)}
      />
      {label}
    </label>
  );
}
