import { Trash2 } from "lucide-react";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/TextField";
import type { Act } from "./RuleCard";

type Senses = NonNullable<Schemas["NewThing"]["senses"]>;
const WHAT: { value: Senses | "REMOTE"; label: string }[] = [
  { value: "REMOTE", label: "remote control" },
  { value: "MOTION", label: "motion sensor" },
  { value: "DOOR", label: "door sensor" },
  { value: "BRIGHTNESS", label: "brightness sensor" },
  { value: "TEMPERATURE", label: "temperature sensor" },
  { value: "HUMIDITY", label: "humidity sensor" },
];

/** Sensors and remote controls that no box holds, and where the house is. */
export function HouseFacts({
  job,
  view,
  act,
  busy,
}: {
  job: Schemas["JobView"];
  view: Schemas["RulesView"];
  act: Act;
  busy: boolean;
}) {
  const [what, setWhat] = useState<Senses | "REMOTE">("REMOTE");
  const [room, setRoom] = useState(job.rooms[0]?.name ?? "");
  const [place, setPlace] = useState({
    latitude: String(view.place?.latitude ?? ""),
    longitude: String(view.place?.longitude ?? ""),
    zone: view.place?.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone,
  });
  const label = WHAT.find((w) => w.value === what)?.label ?? "";
  const add = (event: FormEvent) => {
    event.preventDefault();
    act(() =>
      api.addThing(job.id, {
        version: view.version,
        name: label,
        room,
        protocol: "ZIGBEE",
        ...(what === "REMOTE" ? {} : { senses: what }),
      }),
    );
  };
  const move = (event: FormEvent) => {
    event.preventDefault();
    act(() =>
      api.placeHouse(job.id, {
        version: view.version,
        latitude: Number(place.latitude.replace(",", ".")),
        longitude: Number(place.longitude.replace(",", ".")),
        zone: place.zone,
      }),
    );
  };
  return (
    <div className="border-line grid gap-5 border-t pt-3 lg:grid-cols-2">
      <section aria-label="sensors and remotes">
        <h2 className="mb-2 text-[16px]">Sensors and remotes</h2>
        <ul className="mb-2 space-y-1 text-[14px]">
          {view.things.map((thing) => (
            <li key={thing.id} className="flex items-center gap-2">
              <span className="min-w-0 flex-1">
                {thing.name}, <span className="text-soft">{thing.what}</span>
              </span>
              <button
                type="button"
                className="btn btn-ghost btn-xs btn-square"
                aria-label={`take ${thing.name} away`}
                disabled={busy}
                onClick={() => act(() => api.removeRule(job.id, thing.id, view.version))}
              >
                <Trash2 size={15} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
        <form className="flex flex-wrap items-end gap-2" onSubmit={add}>
          <Choice label="What" value={what} options={WHAT} onChange={setWhat} className="w-44" />
          <Choice
            label="Where"
            value={room}
            options={job.rooms.map((r) => ({ value: r.name, label: r.name }))}
            onChange={setRoom}
            className="w-40"
          />
          <button type="submit" className="btn btn-outline" disabled={busy}>
            add it
          </button>
        </form>
      </section>
      <section aria-label="where the house is">
        <h2 className="mb-2 text-[16px]">Where the house is</h2>
        <form className="flex flex-wrap items-end gap-2" onSubmit={move}>
          <TextField
            label="Latitude, °"
            inputMode="decimal"
            value={place.latitude}
            onChange={(latitude) => setPlace({ ...place, latitude })}
            className="w-28"
            required
          />
          <TextField
            label="Longitude, °"
            inputMode="decimal"
            value={place.longitude}
            onChange={(longitude) => setPlace({ ...place, longitude })}
            className="w-28"
            required
          />
          <TextField
            label="Clocks of"
            value={place.zone}
            onChange={(zone) => setPlace({ ...place, zone })}
            className="w-44"
            required
          />
          <button type="submit" className="btn btn-outline" disabled={busy}>
            keep it
          </button>
        </form>
        {view.place && (
          <p className="mt-3 flex flex-wrap items-center gap-3 text-[14px]">
            <a className="btn btn-sm btn-outline" href={`/api/v1/jobs/${job.id}/rules/calendar.ics`} download>
              schedules for a calendar
            </a>
            <label className="flex items-center gap-2">
              <span className="text-soft">or take events in, as rules that wait</span>
              <input
                type="file"
                accept=".ics,text/calendar"
                className="file-input file-input-sm w-56"
                disabled={busy}
                onChange={async (e) => {
                  const text = await e.target.files?.[0]?.text();
                  if (text) {
                    act(() => api.importRuleCalendar(job.id, { version: view.version, text }));
                  }
                }}
              />
            </label>
          </p>
        )}
      </section>
    </div>
  );
}
