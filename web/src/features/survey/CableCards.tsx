import { useMutation, useQuery } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { regionsOptions } from "../job/api";
import { api } from "./api";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";
import { Choice } from "../../ui/Choice";
import { useUnits } from "../../ui/units";
import { type Cable, type Core, HANGS_HERE, replaceAt, type Survey, without } from "./draft";
import { EndChoice } from "./EndChoice";

export const ROLES: { value: Core["role"]; label: string }[] = [
  { value: "PERMANENT_LIVE", label: "permanent live" },
  { value: "SWITCHED_LIVE", label: "switched live" },
  { value: "NEUTRAL", label: "neutral" },
  { value: "EARTH", label: "protective earth" },
  { value: "TRAVELLER", label: "traveller" },
  { value: "CONTROL", label: "control wire" },
  { value: "ELV_PLUS", label: "ELV+" },
  { value: "ELV_MINUS", label: "ELV−" },
  { value: "SPARE", label: "spare" },
];

export const COLOURS: { value: Core["colour"]; label: string }[] = [
  { value: "BROWN", label: "BN brown" },
  { value: "BLACK", label: "BK black" },
  { value: "GREY", label: "GY grey" },
  { value: "BLUE", label: "BU blue" },
  { value: "GREEN_YELLOW", label: "GNYE green-yellow" },
  { value: "RED", label: "RD red" },
  { value: "YELLOW", label: "YE yellow" },
  { value: "WHITE", label: "WH white" },
  { value: "ORANGE", label: "OG orange" },
  { value: "VIOLET", label: "VT violet" },
  { value: "GREEN", label: "GN green" },
  { value: "BARE", label: "bare" },
];

type Props = { job: Schemas["JobView"]; survey: Survey; onChange: (survey: Survey) => void };

type SectionProps = {
  name: string;
  job: Schemas["JobView"];
  mm2: number;
  onChange: (mm2: number) => void;
};

/** Cross-section of a cable, in mm² or by its American size. */
function CrossSection({ name, job, mm2, onChange }: SectionProps) {
  const units = useUnits(job);
  const gauges = useQuery(regionsOptions).data?.find((each) => each.region === job.region)?.gauges ?? [];
  const [thinnest] = gauges;
  if (units === "us" && thinnest) {
    const nearest = gauges.reduce(
      (a, b) => (Math.abs(b.mm2 - mm2) < Math.abs(a.mm2 - mm2) ? b : a),
      thinnest,
    );
    return (
      <Choice
        label={`size of ${name}`}
        value={String(nearest.number)}
        options={gauges.map(({ number }) => ({ value: String(number), label: `${number} AWG` }))}
        onChange={(gauge) => onChange(gauges.find((size) => String(size.number) === gauge)?.mm2 ?? mm2)}
      />
    );
  }
  return (
    <TextField
      label="mm²"
      aria-label={`cross-section of ${name} in mm²`}
      className="w-20"
      type="number"
      min={0.5}
      step="any"
      value={String(mm2)}
      onChange={(text) => onChange(Number(text))}
    />
  );
}

/** Loads that often share a cable: the directions of a motor, and the lamps of a double switch. */
export function together(loads: Survey["loads"]): Survey["loads"][] {
  const groups = new Map<string, Survey["loads"]>();
  for (const load of loads) {
    const key = load.drive?.motor ?? "";
    groups.set(key, [...(groups.get(key) ?? []), load]);
  }
  return [...groups.values()].filter((group) => group.length > 1);
}

/** Usual cables to drop into the picture of the box. */
export function DropCables({ job, survey, onChange }: Props) {
  const [singles, setSingles] = useState(false);
  const [era, setEra] = useState<Schemas["EraView"]["era"]>();
  const regions = useQuery(regionsOptions);
  const eras = regions.data?.find((each) => each.region === job.region)?.eras ?? [];
  const drop = useMutation({
    mutationFn: (wish: { leadsTo: Cable["leadsTo"]; circuit?: string; load?: number; others?: number[] }) =>
      api.draftCable(job.id, { survey, ...wish, singles, ...(era ? { era } : {}) }),
    onSuccess: (draft) =>
      onChange({
        ...survey,
        cables: [...survey.cables, ...draft.cables],
        jumpers: [...survey.jumpers, ...draft.jumpers],
      }),
  });
  const own = job.circuits.filter((circuit) => survey.gangs.some((gang) => gang.circuit === circuit.id));
  const circuits = own.length > 0 ? own : job.circuits;
  const elsewhere = survey.loads.filter((load) => load.gang !== HANGS_HERE);
  return (
    <div className="no-print">
      <div className="mb-3 flex flex-wrap gap-2">
        {circuits.map((circuit) => (
          <button
            key={circuit.id}
            type="button"
            className="btn btn-sm btn-outline"
            onClick={() => drop.mutate({ leadsTo: "SUPPLY", circuit: circuit.id })}
          >
            feed of circuit {circuit.label}
          </button>
        ))}
        <button
          type="button"
          className="btn btn-sm btn-outline"
          onClick={() => drop.mutate({ leadsTo: "BOX" })}
        >
          cable to another box
        </button>
        {elsewhere.map((load) => (
          <span key={load.number} className="join">
            <button
              type="button"
              className="btn btn-sm btn-outline join-item"
              onClick={() => drop.mutate({ leadsTo: "LOAD", load: load.number })}
            >
              cable to {load.name}
            </button>
            <button
              type="button"
              className="btn btn-sm btn-outline join-item"
              onClick={() => drop.mutate({ leadsTo: "LOAD_WITH_FEED", load: load.number })}
            >
              loop from {load.name}
            </button>
          </span>
        ))}
        {together(elsewhere).map(([first, ...others]) => (
          <button
            key={first?.number}
            type="button"
            className="btn btn-sm btn-outline"
            disabled={singles}
            onClick={() =>
              drop.mutate({
                leadsTo: "LOAD",
                load: first?.number,
                others: others.map((load) => load.number),
              })
            }
          >
            one cable to {[first, ...others].map((load) => load?.name).join(" and ")}
          </button>
        ))}
        <label className="flex items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={singles}
            onChange={(e) => setSingles(e.target.checked)}
          />
          as single cores in conduit
        </label>
        {eras.length > 1 && (
          <label className="flex items-center gap-2 text-sm">
            colours
            <select
              className="select select-sm w-auto"
              value={era ?? eras[0]?.era}
              onChange={(e) => setEra(e.target.value as Schemas["EraView"]["era"])}
            >
              {eras.map((each) => (
                <option key={each.era} value={each.era}>
                  {each.label}
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
      {drop.isError && <Failure error={drop.error} />}
    </div>
  );
}

/** The cables that enter the box. A dropped cable comes as it usually is; every core can be put right. */
export function CableCards({ job, survey, onChange }: Props) {
  return (
    <section aria-label="Cables">
      <h2 className="mb-2 text-[16px]">Cables</h2>
      {survey.cables.length === 0 && (
        <p className="text-soft mb-2">No conductors yet. Drop the feed cable into the picture first.</p>
      )}
      <ul className="space-y-3">
        {survey.cables.map((cable, index) => (
          <li key={cable.name} className="border-line rounded-[4px] border p-3">
            <CableCard
              job={job}
              survey={survey}
              cable={cable}
              onChange={(changed) =>
                onChange({ ...survey, cables: replaceAt(survey.cables, index, changed) })
              }
              onRemove={() => onChange({ ...survey, cables: without(survey.cables, index) })}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

export function wayOf(job: Schemas["JobView"], survey: Survey, cable: Cable): string {
  const circuit = job.circuits.find((c) => c.id === cable.circuit)?.label;
  const numbers = [cable.load, ...cable.cores.map((core) => core.load)];
  const load = survey.loads
    .filter((l) => numbers.includes(l.number))
    .map((l) => l.name)
    .join(" and ");
  switch (cable.leadsTo) {
    case "SUPPLY":
      return `feed of circuit ${circuit}`;
    case "LOAD":
      return `to ${load}`;
    case "BOX":
      return cable.box
        ? `to ${job.boxes.find((b) => b.id === cable.box)?.label ?? "a box that is gone"}`
        : "to a box that is not known yet";
    case "LOAD_WITH_FEED":
      return `loop from ${load}, fed there from circuit ${circuit}`;
    default:
      return cable.leadsTo satisfies never;
  }
}

type CardProps = {
  job: Schemas["JobView"];
  survey: Survey;
  cable: Cable;
  onChange: (cable: Cable) => void;
  onRemove: () => void;
};

function CableCard({ job, survey, cable, onChange, onRemove }: CardProps) {
  const elsewhere = survey.loads.filter((load) => load.gang !== HANGS_HERE);
  const setCore = (index: number, core: Core) =>
    onChange({ ...cable, cores: replaceAt(cable.cores, index, core) });
  const addCore = () =>
    onChange({
      ...cable,
      cores: [
        ...cable.cores,
        {
          number: Math.max(0, ...cable.cores.map((c) => c.number)) + 1,
          colour: "BLACK",
          role: "SPARE",
          end: { at: "CAPPED" },
        },
      ],
    });
  return (
    <>
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <h3 className="text-[15px]">
          <span className="font-mono">{cable.name}</span> {wayOf(job, survey, cable)}
        </h3>
        {cable.leadsTo === "BOX" && (
          <>
            <Choice
              label={`box at the other end of ${cable.name}`}
              value={cable.box ?? ""}
              options={[
                { value: "", label: "not known yet" },
                ...job.boxes.map((b) => ({
                  value: b.id,
                  label: `${b.label} ${job.rooms.find((r) => r.id === b.roomId)?.name ?? ""}`,
                })),
              ]}
              onChange={(box) =>
                onChange({
                  ...cable,
                  box: box || undefined,
                  farCable: box ? (cable.farCable ?? cable.name) : undefined,
                })
              }
            />
            {cable.box && (
              <TextField
                label="name there"
                aria-label={`what ${cable.name} is called there`}
                className="w-20"
                value={cable.farCable ?? ""}
                maxLength={40}
                onChange={(farCable) => onChange({ ...cable, farCable })}
              />
            )}
          </>
        )}
        <span className="flex-1" />
        <CrossSection
          name={cable.name}
          job={job}
          mm2={cable.mm2}
          onChange={(mm2) => onChange({ ...cable, mm2 })}
        />
        <button type="button" className="btn btn-xs btn-outline" onClick={addCore}>
          add a core
        </button>
        <button
          type="button"
          className="btn btn-sm btn-square btn-ghost"
          onClick={onRemove}
          aria-label={`take ${cable.name} away`}
        >
          <Trash2 size={17} aria-hidden />
        </button>
      </div>
      {cable.asUsual && (
        <button
          type="button"
          className="btn btn-sm mb-2 border-warning text-warning bg-base-100"
          onClick={() => onChange({ ...cable, asUsual: undefined })}
        >
          as usual, not looked at: it is so
        </button>
      )}
      <ul className="space-y-1.5">
        {cable.cores.map((core, index) => {
          const who = `core ${core.number} of ${cable.name}`;
          return (
            <li key={core.number} className="grid grid-cols-2 gap-2 sm:grid-cols-[1.1fr_1fr_1.4fr_auto]">
              <Choice
                hideLabel
                label={`colour, ${who}`}
                value={core.colour}
                options={COLOURS}
                onChange={(colour) => setCore(index, { ...core, colour })}
              />
              <Choice
                hideLabel
                label={`role, ${who}`}
                value={core.role}
                options={ROLES}
                onChange={(role) =>
                  setCore(index, { ...core, role, load: role === "SWITCHED_LIVE" ? core.load : undefined })
                }
              />
              <EndChoice
                job={job}
                label={`end, ${who}`}
                survey={survey}
                value={core.end}
                onChange={(end) => setCore(index, { ...core, end })}
              />
              {typeof cable.load === "number" && core.role === "SWITCHED_LIVE" && elsewhere.length > 1 && (
                <Choice
                  hideLabel
                  className="col-span-2 sm:order-last sm:col-span-4"
                  label={`load of ${who}`}
                  value={String(core.load ?? cable.load)}
                  options={elsewhere.map((load) => ({
                    value: String(load.number),
                    label: `to ${load.name}`,
                  }))}
                  onChange={(load) =>
                    setCore(index, { ...core, load: Number(load) === cable.load ? undefined : Number(load) })
                  }
                />
              )}
              <button
                type="button"
                className="btn btn-square btn-ghost"
                aria-label={`take ${who} away`}
                disabled={cable.cores.length === 1}
                onClick={() => onChange({ ...cable, cores: without(cable.cores, index) })}
              >
                <Trash2 size={16} aria-hidden />
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
}
