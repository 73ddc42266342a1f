import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useEffect, useRef, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { regionsOptions } from "../job/api";
import { SheetLayout } from "../job/SheetLayout";
import { nextLabel } from "../survey/draft";
import { TypedLoad } from "../survey/TypedLoad";
import { api, shapesOptions } from "./api";
import { ShapePicture } from "./ShapePicture";

type Shape = Schemas["CircuitShapeView"];
type Place = { box: string; room: string; label: string; switchName: string };

/** A survey that begins with the circuit: its shape, what it feeds, and where its boxes are. */
export function SketchSheet({ job }: { job: Schemas["JobView"] }) {
  const shapes = useQuery(shapesOptions);
  const [chosen, choose] = useState<Shape["shape"]>();
  const shape = shapes.data?.find((each) => each.shape === chosen);
  const ready = job.circuits.length > 0 && job.rooms.length > 0;
  return (
    <SheetLayout
      title="Begin with the circuit"
      detail="Its boxes are filled as such circuits usually run; then look at each."
    >
      {!ready && <p>Add a circuit and a room to the house first.</p>}
      {shapes.isPending && <Waiting what="the circuits" />}
      {shapes.isError && <Failure error={shapes.error} onRetry={() => shapes.refetch()} />}
      {ready && shapes.data && (
        <div className="space-y-6">
          <fieldset>
            <legend className="mb-2 text-[16px] font-semibold">Which circuit is it?</legend>
            <div className="grid grid-cols-2 gap-3 sm:grid-cols-3 xl:grid-cols-4">
              {shapes.data.map((each) => (
                <label
                  key={each.shape}
                  className={`has-focus-visible:outline-primary block cursor-pointer rounded-[4px] border-[1.5px] p-2 has-focus-visible:outline-2 ${
                    each.shape === chosen ? "border-primary bg-base-200" : "border-line hover:border-edge"
                  }`}
                >
                  <input
                    type="radio"
                    name="shape"
                    className="sr-only"
                    checked={each.shape === chosen}
                    onChange={() => choose(each.shape)}
                  />
                  <ShapePicture shape={each} />
                  <span className="block text-[13px] leading-snug">{each.words}</span>
                </label>
              ))}
            </div>
          </fieldset>
          {shape && <Telling key={shape.shape} job={job} shape={shape} />}
        </div>
      )}
    </SheetLayout>
  );
}

function Telling({ job, shape }: { job: Schemas["JobView"]; shape: Shape }) {
  const room = useSearchParams()[0].get("room") ?? job.rooms[0]?.id ?? "";
  const eras = useQuery(regionsOptions).data?.find((each) => each.region === job.region)?.eras ?? [];
  const [era, setEra] = useState<Schemas["EraView"]["era"]>();
  const [circuit, setCircuit] = useState(job.circuits[0]?.id ?? "");
  const [between, setBetween] = useState(0);
  const [neutral, setNeutral] = useState(true);
  const [loads, setLoads] = useState(() =>
    Array.from({ length: shape.leastLoads }, (_, at) => ({ id: at, name: usualName(shape, at), typed: "" })),
  );
  const [told, tell] = useState<Record<string, Partial<Place>>>({});
  const queries = useQueryClient();
  const navigate = useNavigate();
  const form = useRef<HTMLFormElement>(null);
  // On a phone the shapes fill more than the screen: what comes next must not be looked for.
  useEffect(() => {
    form.current?.scrollIntoView({ block: "nearest" });
  }, []);
  const places = shape.placesByBetween[between] ?? shape.places;
  const labels = job.boxes.map((box) => box.label);
  const at = (key: string, number: number): Place => {
    const own = told[key] ?? {};
    const inRoom = own.room ?? room;
    const name = job.rooms.find((each) => each.id === inRoom)?.name ?? "";
    return {
      box: own.box ?? "",
      room: inRoom,
      label: own.label ?? nextLabel([...labels, ...Array.from({ length: number }, (_, n) => `new ${n}`)]),
      switchName: own.switchName ?? `${name} switch`,
    };
  };
  const fill = useMutation({
    mutationFn: () =>
      api.sketch(job.id, {
        shape: shape.shape,
        circuit,
        neutral,
        between,
        ...(era ? { era } : {}),
        loads: loads.map(({ name, typed }) => ({ name, typed })),
        places: places.map(({ key }, number) => {
          const { box, label, switchName, ...where } = at(key, number);
          const known = job.boxes.find((each) => each.id === box);
          return known
            ? { box: known.id, version: known.version, switchName }
            : { room: where.room, label, switchName };
        }),
      }),
    onSuccess: async ({ boxes }) => {
      await queries.invalidateQueries(about({ job: job.id }));
      navigate(`/jobs/${job.id}/boxes/${boxes[0]}/survey`);
    },
  });
  const setLoad = (number: number, change: Partial<{ name: string; typed: string }>) =>
    setLoads(loads.map((load, n) => (n === number ? { ...load, ...change } : load)));
  const whole = loads.every((load) => load.typed.trim() && load.name.trim());
  return (
    <form
      ref={form}
      className="scroll-mt-4 space-y-5"
      aria-label="the circuit"
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        fill.mutate();
      }}
    >
      <div className="grid grid-cols-2 items-end gap-3 sm:grid-cols-4">
        <Choice
          label="Circuit"
          value={circuit}
          onChange={setCircuit}
          options={job.circuits.map((each) => ({
            value: each.id,
            label: `${each.label} · ${each.ratingAmps} A`,
          }))}
        />
        {shape.mostBetween > 0 && (
          <Choice
            label="Switches between"
            value={String(between)}
            onChange={(text) => setBetween(Number(text))}
            options={Array.from({ length: shape.mostBetween + 1 }, (_, n) => ({
              value: `${n}`,
              label: n ? `${n}` : "none",
            }))}
          />
        )}
        {eras.length > 1 && (
          <Choice
            label="Colours"
            value={era ?? eras[0]?.era ?? ""}
            onChange={(value) => setEra(value as Schemas["EraView"]["era"])}
            options={eras.map((each) => ({ value: each.era, label: each.label }))}
          />
        )}
        {shape.neutralMayLack && (
          <label className="flex h-10 items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={neutral}
              onChange={(e) => setNeutral(e.target.checked)}
            />
            neutral at the switch
          </label>
        )}
      </div>
      <section>
        <h2 className="mb-2 text-[16px]">What it feeds</h2>
        {loads.map((load, number) => (
          <div key={load.id} className="mb-2 grid grid-cols-2 items-start gap-3">
            <TextField
              label={loads.length > 1 ? `Name, load ${number + 1}` : "Name"}
              value={load.name}
              onChange={(name) => setLoad(number, { name })}
              maxLength={120}
              required
            />
            <TypedLoad
              label={loads.length > 1 ? `What it is, load ${number + 1}` : "What it is"}
              typed={load.typed}
              onChange={(typed) => setLoad(number, { typed })}
            />
          </div>
        ))}
        <span className="flex gap-2">
          {loads.length < shape.mostLoads && (
            <button
              type="button"
              className="btn btn-sm btn-outline"
              onClick={() =>
                setLoads([
                  ...loads,
                  {
                    id: loads.length,
                    name: usualName(shape, loads.length),
                    typed: loads.at(-1)?.typed ?? "",
                  },
                ])
              }
            >
              one switch more beside it
            </button>
          )}
          {loads.length > shape.leastLoads && (
            <button
              type="button"
              className="btn btn-sm btn-outline"
              onClick={() => setLoads(loads.slice(0, -1))}
            >
              one fewer
            </button>
          )}
        </span>
      </section>
      <section>
        <h2 className="mb-2 text-[16px]">Where its boxes are</h2>
        <ul className="space-y-3">
          {places.map((place, number) => (
            <li
              key={place.key}
              className="border-line grid grid-cols-2 items-end gap-3 border-l-4 pl-3 sm:grid-cols-4"
            >
              <PlaceFields
                job={job}
                place={place}
                value={at(place.key, number)}
                taken={places.filter((other) => other !== place).map((other) => told[other.key]?.box ?? "")}
                onChange={(change) => tell({ ...told, [place.key]: { ...told[place.key], ...change } })}
              />
            </li>
          ))}
        </ul>
      </section>
      {fill.isError && <Failure error={fill.error} />}
      <div className="flex flex-wrap items-center gap-3">
        <button type="submit" className="btn btn-primary" disabled={!whole || fill.isPending}>
          {fill.isPending
            ? "filling …"
            : `fill ${places.length === 1 ? "the box" : `${places.length} boxes`}`}
        </button>
        <span className="text-soft max-w-prose text-sm">
          Every cable is marked as not looked at. No plan that rests on one is issued before somebody has.
        </span>
      </div>
    </form>
  );
}

const usualName = (shape: Shape, number: number) =>
  shape.shape === "FAN_WITH_LIGHT"
    ? number === 0
      ? "fan"
      : "fan light"
    : number === 0
      ? "lamp"
      : `lamp ${number + 1}`;

type PlaceFieldsProps = {
  job: Schemas["JobView"];
  place: Shape["places"][number];
  value: Place;
  taken: string[];
  onChange: (change: Partial<Place>) => void;
};

function PlaceFields({ job, place, value, taken, onChange }: PlaceFieldsProps) {
  const there = job.boxes.filter((box) => box.kind === place.kind && !taken.includes(box.id));
  return (
    <>
      <Choice
        label={`Box, ${place.words}`}
        value={value.box}
        onChange={(box) => onChange({ box })}
        options={[
          { value: "", label: "a new box" },
          ...there.map((box) => ({
            value: box.id,
            label: `${box.label} ${job.rooms.find((room) => room.id === box.roomId)?.name ?? ""}`,
          })),
        ]}
      />
      {value.box === "" && (
        <>
          <Choice
            label={`Room, ${place.words}`}
            value={value.room}
            onChange={(room) => onChange({ room })}
            options={job.rooms.map((room) => ({ value: room.id, label: room.name }))}
          />
          <TextField
            label={`Label, ${place.words}`}
            value={value.label}
            onChange={(label) => onChange({ label })}
            maxLength={40}
            required
          />
        </>
      )}
      {place.kind === "WALL" && (
        <TextField
          label={`Name, ${place.words}`}
          value={value.switchName}
          onChange={(switchName) => onChange({ switchName })}
          maxLength={100}
          required
        />
      )}
    </>
  );
}
