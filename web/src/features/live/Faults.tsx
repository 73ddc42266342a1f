import { type FormEvent, type ReactNode, useState } from "react";
import type { Schemas } from "../../api/transport";
import type { Does, LiveNow } from "./useLive";

const SLOW = [1, 5, 20];

/** What may fail in the house, how its network is, and the world around it. */
export function Faults({ view, now, does }: { view: Schemas["LiveView"]; now: LiveNow; does: Does }) {
  const common = view.parts.filter((p) => p.kind !== "MAINS" && p.kind !== "MODULE");
  const circuits = view.parts.filter((p) => p.kind === "MAINS");
  const modules = view.parts.filter((p) => p.kind === "MODULE");
  const downModules = modules.filter((m) => now.down.includes(m.key)).length;
  return (
    <div className="space-y-4 text-[14px]">
      <section aria-label="what is down">
        <h2 className="mb-1 text-[15px]">Let it fail</h2>
        <ul>
          {common.map((part) => (
            <PartRow key={part.key} part={part} now={now} does={does} />
          ))}
        </ul>
        <h3 className="text-soft mt-2 text-[13px]">Circuits</h3>
        <ul>
          {circuits.map((part) => (
            <PartRow key={part.key} part={part} now={now} does={does} />
          ))}
        </ul>
        <details className="mt-2">
          <summary className="cursor-pointer text-[13px]">
            Modules{downModules > 0 && `, ${downModules} down`}
          </summary>
          <ul>
            {modules.map((part) => (
              <PartRow key={part.key} part={part} now={now} does={does} />
            ))}
          </ul>
        </details>
      </section>
      <section aria-label="network" className="border-line border-t pt-2">
        <h2 className="mb-1 text-[15px]">Network</h2>
        <label className="flex min-h-9 items-center justify-between gap-2">
          Messages take
          <select
            className="select select-sm w-36"
            value={now.slow}
            onChange={(e) => does({ kind: "SLOW", slow: Number(e.target.value) })}
          >
            {SLOW.map((times) => (
              <option key={times} value={times}>
                {times === 1 ? "as usual" : `${times} times as long`}
              </option>
            ))}
          </select>
        </label>
        <label className="flex min-h-9 cursor-pointer items-center justify-between gap-2">
          The hub asks every 10 s instead of being told
          <input
            type="checkbox"
            className="toggle toggle-sm"
            checked={now.polling}
            onChange={(e) => does({ kind: "POLLING", is: e.target.checked })}
          />
        </label>
      </section>
      <World view={view} now={now} does={does} />
    </div>
  );
}

/** One thing that is so or not. */
function Turn({
  label,
  checked,
  onTurn,
  children,
}: {
  label?: string;
  checked: boolean;
  onTurn: (is: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className="flex min-h-9 cursor-pointer items-center justify-between gap-2 max-sm:min-h-12">
      {children}
      <input
        type="checkbox"
        className="toggle toggle-sm"
        aria-label={label}
        checked={checked}
        onChange={(e) => onTurn(e.target.checked)}
      />
    </label>
  );
}

function PartRow({ part, now, does }: { part: Schemas["LivePartView"]; now: LiveNow; does: Does }) {
  const down = now.down.includes(part.key);
  return (
    <li>
      <Turn
        label={`${part.words} is there`}
        checked={!down}
        onTurn={(there) => does({ kind: "PART", at: part.key, is: !there })}
      >
        <span className={`min-w-0 truncate ${down ? "text-error font-semibold" : ""}`} title={part.words}>
          {part.words}
          {down && " is down"}
        </span>
      </Turn>
    </li>
  );
}

function World({ view, now, does }: { view: Schemas["LiveView"]; now: LiveNow; does: Does }) {
  const [time, setTime] = useState("");
  const put = (event: FormEvent) => {
    event.preventDefault();
    does({ kind: "CLOCK", time: `${time}:00` });
  };
  return (
    <section aria-label="the world around" className="border-line border-t pt-2">
      <h2 className="mb-1 text-[15px]">Around the house</h2>
      <Turn checked={now.dark} onTurn={(is) => does({ kind: "DARK", is })}>
        It is dark
      </Turn>
      <Turn checked={now.somebodyHome} onTurn={(is) => does({ kind: "HOME", is })}>
        Somebody is home
      </Turn>
      <form className="flex min-h-9 items-center justify-between gap-2" onSubmit={put}>
        <label className="flex items-center gap-2">
          Clock to
          <input
            type="time"
            className="input input-sm w-28"
            required
            value={time}
            onChange={(e) => setTime(e.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-sm btn-outline">
          put on
        </button>
      </form>
      {view.sensors.map((sensor) => (
        <SensorRow key={sensor.id} sensor={sensor} now={now} does={does} />
      ))}
      {view.buttons.length > 0 && <h3 className="text-soft mt-2 text-[13px]">Buttons</h3>}
      <div className="flex flex-wrap gap-1">
        {view.buttons.map((button) => (
          <button
            key={button.id}
            type="button"
            className="btn btn-xs btn-outline h-auto min-h-8 max-w-full text-left whitespace-normal"
            title="press, with Shift hold"
            onClick={(e) => does({ kind: "HAND", at: button.id, doing: e.shiftKey ? "HOLD" : "PRESS" })}
          >
            {button.name}
          </button>
        ))}
      </div>
    </section>
  );
}

function SensorRow({ sensor, now, does }: { sensor: Schemas["LiveSensorView"]; now: LiveNow; does: Does }) {
  const says = now.sensors[sensor.id];
  const [typed, setTyped] = useState("");
  if (sensor.senses === "DOOR" || sensor.senses === "MOTION") {
    const words = sensor.senses === "DOOR" ? ["closed", "open"] : ["still", "moves"];
    return (
      <Turn
        label={`${sensor.name} ${words[1]}`}
        checked={says === 1}
        onTurn={(is) => does({ kind: "SENSE", at: sensor.id, value: is ? 1 : 0 })}
      >
        <span className="min-w-0">
          {sensor.name}{" "}
          <span className="text-soft text-[13px]">
            {says === undefined ? "said nothing yet" : words[says]}
          </span>
        </span>
      </Turn>
    );
  }
  return (
    <form
      className="flex min-h-9 items-center justify-between gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        does({ kind: "SENSE", at: sensor.id, value: Number(typed) });
      }}
    >
      <label className="flex min-w-0 items-center gap-2">
        <span className="min-w-0 truncate">{sensor.name}</span>
        <input
          type="number"
          required
          className="input input-sm w-20"
          placeholder={says === undefined ? "" : String(says)}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
        <span className="text-soft text-[13px]">{sensor.unit}</span>
      </label>
      <button type="submit" className="btn btn-sm btn-outline">
        says
      </button>
    </form>
  );
}
