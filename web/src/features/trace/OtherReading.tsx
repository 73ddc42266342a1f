import { useState } from "react";
import type { Schemas } from "../../api/transport";

type Entry = Schemas["ReadingEntry"];
type Props = { boxes: Schemas["BoxSeen"][]; busy: boolean; onRead: (entry: Entry) => void };

/** A reading of one's own choice: switches as they stand, a core, and what was read. */
export function OtherReading({ boxes, busy, onRead }: Props) {
  const switches = boxes.flatMap((box) => box.switches);
  const [at, setAt] = useState<Record<string, number>>({});
  const [core, setCore] = useState("");
  const [far, setFar] = useState("");
  const positions = Object.fromEntries(switches.map((box) => [box.id, at[box.id] ?? 0]));
  const read = (kind: Entry["kind"], value: boolean) =>
    onRead({
      kind,
      value,
      with: kind === "CONTINUOUS" ? {} : positions,
      ...(kind === "LAMP" ? {} : { core }),
      ...(kind === "CONTINUOUS" ? { farCore: far } : {}),
    });

  return (
    <details className="border-line mt-5 border-t pt-3">
      <summary className="cursor-pointer font-semibold">Enter another reading</summary>
      <div className="mt-3 flex flex-wrap items-end gap-4">
        <fieldset className="flex flex-wrap gap-2">
          <legend className="mb-1 text-sm">switches stand at</legend>
          {switches.map((box) => (
            <button
              key={box.id}
              type="button"
              className="btn btn-sm btn-outline"
              aria-label={`${box.name} at ${positions[box.id]}`}
              onClick={() => setAt({ ...at, [box.id]: 1 - (positions[box.id] ?? 0) })}
            >
              {box.name} <span className="font-mono">{positions[box.id] === 1 ? "▼ 1" : "▲ 0"}</span>
            </button>
          ))}
        </fieldset>
        <CoreSelect label="core" boxes={boxes} value={core} onChange={setCore} />
        <div className="flex flex-wrap gap-2">
          <Read words="live" disabled={busy || !core} onPress={() => read("LIVE", true)} />
          <Read words="not live" disabled={busy || !core} onPress={() => read("LIVE", false)} />
          <Read words="leads back" disabled={busy || !core} onPress={() => read("RETURNS", true)} />
          <Read words="pen beeps" disabled={busy || !core} onPress={() => read("PEN", true)} />
          <Read words="pen silent" disabled={busy || !core} onPress={() => read("PEN", false)} />
          <Read words="leads nowhere" disabled={busy || !core} onPress={() => read("RETURNS", false)} />
        </div>
      </div>
      <div className="mt-3 flex flex-wrap items-end gap-4">
        <CoreSelect label="and, made dead, the core" boxes={boxes} value={far} onChange={setFar} />
        <div className="flex flex-wrap gap-2">
          <Read
            words="joined"
            disabled={busy || !core || !far || core === far}
            onPress={() => read("CONTINUOUS", true)}
          />
          <Read
            words="not joined"
            disabled={busy || !core || !far || core === far}
            onPress={() => read("CONTINUOUS", false)}
          />
        </div>
        <div className="flex flex-wrap gap-2">
          <Read words="the lamp burns" disabled={busy} onPress={() => read("LAMP", true)} />
          <Read words="the lamp is dark" disabled={busy} onPress={() => read("LAMP", false)} />
        </div>
      </div>
    </details>
  );
}

function Read({ words, disabled, onPress }: { words: string; disabled: boolean; onPress: () => void }) {
  return (
    <button type="button" className="btn btn-sm btn-outline" disabled={disabled} onClick={onPress}>
      {words}
    </button>
  );
}

type SelectProps = {
  label: string;
  boxes: Schemas["BoxSeen"][];
  value: string;
  onChange: (id: string) => void;
};

function CoreSelect({ label, boxes, value, onChange }: SelectProps) {
  return (
    <label className="flex flex-col gap-1 text-sm">
      {label}
      <select
        className="select select-sm w-[220px]"
        value={value}
        onChange={(e) => onChange(e.target.value)}
        aria-label={label}
      >
        <option value="">choose a core</option>
        {boxes.map((box) => (
          <optgroup key={box.id} label={box.label}>
            {box.cores.map((core) => (
              <option key={core.id} value={core.id}>
                {core.letters} {core.cable}, {core.at}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
    </label>
  );
}
