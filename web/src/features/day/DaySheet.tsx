import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, dayOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { HousePages } from "../house/HousePages";
import { SheetLayout } from "../job/SheetLayout";
import { DayChart } from "./DayChart";

type Question = Schemas["DayQuestion"];

/** The days on site: asked for, planned, planned anew after a delay. */
export function DaySheet({ job }: { job: Schemas["JobView"] }) {
  const day = useQuery(dayOptions(job.id));
  if (day.isPending) {
    return <Waiting what="the day" />;
  }
  const view = day.data;
  return (
    <SheetLayout
      title="Day on site"
      detail={<HousePages job={job.id} page="/day" />}
      actions={
        view?.planned && (
          <a
            className="btn btn-sm btn-outline no-print"
            href={`/api/v1/jobs/${job.id}/day/calendar.ics`}
            download
          >
            for the calendar
          </a>
        )
      }
    >
      {day.isError && <Failure error={day.error} onRetry={() => day.refetch()} />}
      {view && <Ask key={view.madeAt ?? "new"} job={job.id} view={view} />}
      {view?.planned && (
        <>
          <p className="text-soft mb-3 text-[14px]">
            Planned by {view.madeBy}, {view.madeAt && moment(view.madeAt)}.
            {view.planned.left.length > 0 && (
              <b className="text-error"> Not planned: {view.planned.left.join("; ")}.</b>
            )}
          </p>
          {view.planned.openings.length > 0 && (
            <p className="text-soft mb-3 text-[14px]">{openingsInWords(view.planned.openings)}</p>
          )}
          {view.planned.days.map((each) => (
            <DayChart key={each.date} day={each} job={job.id} />
          ))}
        </>
      )}
    </SheetLayout>
  );
}

/** How often each circuit goes off, beside what no plan goes below. */
export function openingsInWords(openings: Schemas["CircuitOpenings"][]): string {
  const once = openings.filter((o) => o.openings === 1).map((o) => o.circuit);
  const more = openings.filter((o) => o.openings !== 1);
  return [
    once.length > 0 && `Off once: circuit${once.length > 1 ? "s" : ""} ${once.join(", ")}.`,
    ...more.map(
      (o) =>
        `Circuit ${o.circuit} goes off ${o.openings} times; ${o.openings === o.fewest ? "fewer is not possible" : `no plan does it with fewer than ${o.fewest}`}.`,
    ),
  ]
    .filter(Boolean)
    .join(" ");
}

/** What is asked of the days. */
function Ask({ job, view }: { job: string; view: Schemas["DayPlanView"] }) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState<Question>(() =>
    view.madeAt ? view.asked : { ...view.asked, zone: Intl.DateTimeFormat().resolvedOptions().timeZone },
  );
  const set = (change: Partial<Question>) => setAsked({ ...asked, ...change });
  const plan = useMutation({
    mutationFn: (question: Question) => api.planDay(job, question),
    onSuccess: (answer) => queries.setQueryData(dayOptions(job).queryKey, answer),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    plan.mutate(asked);
  };
  if (view.works === 0) {
    return (
      <p className="text-soft mb-4">
        Nothing is to be done on site: a day is made of plans that are issued and not worked through.
        {view.notIssued.length > 0 && ` Picked and not issued: ${view.notIssued.join("; ")}.`}
      </p>
    );
  }
  return (
    <form onSubmit={submit} aria-label="what is asked of the day" className="no-print mb-5 space-y-3">
      <p>
        {view.works} position{view.works > 1 ? "s" : ""} with an issued plan.
        {view.notIssued.length > 0 && (
          <span className="text-soft">
            {" "}
            Picked and not issued, so not planned: {view.notIssued.join("; ")}.
          </span>
        )}
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <Field label="Date" type="date" value={asked.date} onChange={(date) => set({ date })} />
        <Field label="From" type="time" value={asked.from} onChange={(from) => set({ from })} />
        <Field label="To" type="time" value={asked.to} onChange={(to) => set({ to })} />
        <Field
          label="Daylight from"
          type="time"
          value={asked.daylightFrom}
          onChange={(daylightFrom) => set({ daylightFrom })}
        />
        <Field
          label="Daylight to"
          type="time"
          value={asked.daylightTo}
          onChange={(daylightTo) => set({ daylightTo })}
        />
        <Field
          label="Late? Not before"
          type="time"
          value={asked.notBefore ?? ""}
          onChange={(notBefore) => set({ notBefore: notBefore || undefined })}
        />
      </div>
      <Crew crew={asked.crew} onChange={(crew) => set({ crew })} />
      <details>
        <summary className="cursor-pointer text-[15px]">
          Times and limits
          <span className="text-soft">
            {" "}
            · a position {asked.norms.position} min
            {view.soFar ? `, so far ${view.soFar} min over ${view.sheets}` : ", nothing measured yet"}
          </span>
        </summary>
        <div className="mt-2 flex flex-wrap gap-3">
          {NORMS.map(({ key, label }) => (
            <TextField
              key={key}
              label={label}
              value={String(asked.norms[key])}
              onChange={(text) => set({ norms: { ...asked.norms, [key]: Number(text) || 0 } })}
              className="w-40"
            />
          ))}
          <TextField
            label="Try-out with household, min"
            value={String(asked.tryOutMinutes)}
            onChange={(text) => set({ tryOutMinutes: Number(text) || 0 })}
            className="w-44"
          />
        </div>
        <div className="mt-3 flex flex-wrap gap-3">
          {view.circuits.map((circuit) => (
            <TextField
              key={circuit.label}
              label={`Circuit ${circuit.label}${circuit.lights ? ", lamps" : ""}: off at most, min`}
              value={asked.mostOff[circuit.label] ? String(asked.mostOff[circuit.label]) : ""}
              onChange={(text) => {
                const { [circuit.label]: _, ...rest } = asked.mostOff;
                set({ mostOff: Number(text) > 0 ? { ...rest, [circuit.label]: Number(text) } : rest });
              }}
              className="w-52"
            />
          ))}
        </div>
      </details>
      <button type="submit" className="btn btn-primary btn-sm" disabled={plan.isPending}>
        {plan.isPending ? "planning…" : view.planned ? "plan again" : "plan the day"}
      </button>
      {plan.isError && <Failure error={plan.error} />}
    </form>
  );
}

const NORMS = [
  { key: "position", label: "A position, min" },
  { key: "place", label: "Each further box, min" },
  { key: "setUp", label: "Setting up a module, min" },
  { key: "isolation", label: "Isolating, min" },
  { key: "supply", label: "Another supply, min" },
  { key: "closing", label: "Switching on again, min" },
] as const;

function Crew({ crew, onChange }: { crew: Question["crew"]; onChange: (crew: Question["crew"]) => void }) {
  const change = (at: number, entry: Question["crew"][number]) =>
    onChange(crew.map((each, i) => (i === at ? entry : each)));
  return (
    <fieldset className="flex flex-wrap items-end gap-3">
      <legend className="text-soft mb-1 text-[14px]">Crew</legend>
      {crew.map((person, i) => (
        <span
          // biome-ignore lint/suspicious/noArrayIndexKey: people have no identity but their place in the list.
          key={i}
          className="border-line flex items-center gap-2 rounded-[4px] border px-2 py-1"
        >
          <input
            aria-label={`name of person ${i + 1}`}
            className="input input-sm w-32"
            value={person.name}
            onChange={(event) => change(i, { ...person, name: event.target.value })}
            required
          />
          <label className="flex items-center gap-1.5 text-[14px]">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={person.mayWire}
              onChange={(event) => change(i, { ...person, mayWire: event.target.checked })}
            />
            may wire
          </label>
          {crew.length > 1 && (
            <button
              type="button"
              className="text-soft underline text-[13px]"
              onClick={() => onChange(crew.filter((_, other) => other !== i))}
            >
              without
            </button>
          )}
        </span>
      ))}
      {crew.length < 6 && (
        <span className="flex flex-wrap gap-2">
          {[true, false].map((mayWire) => (
            <button
              key={String(mayWire)}
              type="button"
              className="btn btn-sm btn-outline"
              onClick={() => onChange([...crew, { name: `person ${crew.length + 1}`, mayWire }])}
            >
              {mayWire ? "one more who may wire" : "one more who may not"}
            </button>
          ))}
        </span>
      )}
    </fieldset>
  );
}

function Field({
  label,
  type,
  value,
  onChange,
}: {
  label: string;
  type: "date" | "time";
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <label className="text-[14px]">
      <span className="text-soft block">{label}</span>
      <input
        type={type}
        className="input input-sm w-36"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
