import type { Schemas } from "../../api/transport";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/TextField";
import type { Parameters } from "./sequence";

type TimeKey = "debounceMs" | "holdMs" | "runOnMs" | "reversePauseMs";

type Parameter = Schemas["AdviceView"]["parameters"][number];

const TIMES: { key: TimeKey; label: string; parameter: Parameter; seconds?: boolean }[] = [
  { key: "debounceMs", label: "Debounce, ms", parameter: "DEBOUNCE" },
  { key: "holdMs", label: "Long from, ms", parameter: "HOLD" },
  { key: "runOnMs", label: "Runs on for, s", parameter: "RUN_ON", seconds: true },
  { key: "reversePauseMs", label: "Pause before it turns, ms", parameter: "REVERSE_PAUSE" },
];

/** What a behaviour can be set to, with units; limits are the server's and are shown when one is passed. */
export function ParametersForm({
  parameters,
  powerOns,
  advice,
  onChange,
}: {
  parameters: Parameters;
  powerOns: Schemas["FeelChoice"][];
  advice?: Schemas["AdviceView"];
  onChange: (parameters: Parameters) => void;
}) {
  const asks = (parameter: Parameter) => advice?.parameters.includes(parameter);
  const set = (change: Partial<Parameters>) => onChange({ ...parameters, ...change });
  return (
    <fieldset className="border-line space-y-2 border-t pt-3">
      <legend className="sr-only">Parameters</legend>
      <div className="flex flex-wrap items-end gap-3">
        {TIMES.filter((t) => asks(t.parameter)).map((t) => (
          <TextField
            key={`${t.key} ${advice?.behaviour}`}
            label={t.label}
            inputMode="numeric"
            pattern="[0-9]+"
            value={String(t.seconds ? Math.round(parameters[t.key] / 1000) : parameters[t.key])}
            onChange={(text) => set({ [t.key]: (Number.parseInt(text, 10) || 0) * (t.seconds ? 1000 : 1) })}
            className="w-40"
          />
        ))}
        {asks("REST") && (
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
        {asks("INVERTED") && (
          <Tick label="inverted" checked={parameters.inverted} onChange={(inverted) => set({ inverted })} />
        )}
        {asks("PRESS_STOPS") && (
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
