import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api, houseSettingsOptions } from "./api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { useFigure } from "../../ui/FigureField";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { SheetLayout } from "../job/SheetLayout";
import { ChannelsPart } from "./ChannelsPart";
import { HousePages } from "./HousePages";
import { RenameRoom } from "./RenameRoom";
import { RoomsPlan } from "./RoomsPlan";

type Document = Schemas["HouseDocument"];
type Room = Schemas["RoomEntry"];
type Anchor = Schemas["AnchorEntry"];
type Wish = Schemas["WishEntry"];

const WISHES: { value: Wish["kind"]; label: string }[] = [
  { value: "PROTOCOL", label: "every module talks" },
  { value: "WITHOUT_INTERNET", label: "works without internet" },
  { value: "METERING", label: "measures what it switches" },
  { value: "KEEP_PLATES", label: "plates and mechanisms stay" },
  { value: "UNNOTICED", label: "every wall switch still works" },
  { value: "FIRMWARE_FEATURE", label: "firmware has" },
];

/** Where rooms are, what their walls are made of, where the networks begin, and what the house wants. */
export function RoomsSheet({ job }: { job: Schemas["JobView"] }) {
  const settings = useQuery(houseSettingsOptions(job.id));
  if (settings.isPending) {
    return <Waiting what="the rooms" />;
  }
  if (settings.isError && !settings.data) {
    return (
      <div className="p-6">
        <Failure error={settings.error} onRetry={() => settings.refetch()} />
      </div>
    );
  }
  return <RoomsForm key={settings.data.version} job={job} kept={settings.data} />;
}

function RoomsForm({ job, kept }: { job: Schemas["JobView"]; kept: Schemas["HouseSettingsView"] }) {
  const [draft, setDraft] = useState<Document>(kept.document);
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: () => api.keepHouseSettings(job.id, { version: kept.version, document: draft }),
    onSuccess: () => queries.invalidateQueries(about({ job: job.id })),
  });
  const storeys = [...new Set(job.rooms.map((r) => r.storey))];
  const entry = (room: string): Room =>
    draft.rooms.find((r) => r.room === room) ?? {
      room,
      storey: storeys.indexOf(job.rooms.find((r) => r.id === room)?.storey ?? ""),
      x: 0,
      y: 0,
      width: 4,
      depth: 4,
      walls: "BRICK",
    };
  const change = (room: string, part: Partial<Room>) =>
    setDraft({
      ...draft,
      rooms: [...draft.rooms.filter((r) => r.room !== room), { ...entry(room), ...part }],
    });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate();
  };
  return (
    <SheetLayout title="Rooms and radio" detail={<HousePages job={job.id} page="/rooms" />}>
      <form onSubmit={submit}>
        <p className="text-soft mb-3 max-w-prose">
          Each room as a rectangle, measured from one corner of the house. From it the clerk estimates every
          link; the value measured with the plate on decides.
        </p>
        <RoomsPlan job={job} rooms={draft.rooms} anchors={draft.anchors} />
        <table className="table-sm mt-3 table">
          <thead>
            <tr>
              <th>Room</th>
              <th>From left, m</th>
              <th>From front, m</th>
              <th>Wide, m</th>
              <th>Deep, m</th>
              <th>Walls</th>
            </tr>
          </thead>
          <tbody>
            {job.rooms.map((room) => {
              const shape = entry(room.id);
              return (
                <tr key={room.id}>
                  <th scope="row">
                    {room.name} <span className="text-soft font-normal">{room.storey}</span>
                  </th>
                  {(["x", "y", "width", "depth"] as const).map((side) => (
                    <td key={side}>
                      <Metres
                        label={`${room.name}, ${side}`}
                        value={shape[side]}
                        onChange={(metres) => change(room.id, { [side]: metres })}
                      />
                    </td>
                  ))}
                  <td>
                    <Choice
                      hideLabel
                      label={`${room.name}, walls`}
                      value={shape.walls}
                      options={kept.walls}
                      onChange={(walls) => change(room.id, { walls })}
                    />
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <Anchors job={job} networks={kept.networks} draft={draft} setDraft={setDraft} />
        <ChannelsPart draft={draft} setDraft={setDraft} />
        <Wishes draft={draft} setDraft={setDraft} />
        <button type="submit" className="btn btn-primary btn-sm mt-4" disabled={keep.isPending}>
          keep
        </button>
        {keep.isError && <Failure error={keep.error} />}
      </form>
      <RenameRoom job={job} />
    </SheetLayout>
  );
}

type MetresProps = { label: string; value: number; onChange: (metres: number) => void };

/** Metres in a table; an empty field changes nothing. */
function Metres({ label, value, onChange }: MetresProps) {
  const { typed, type } = useFigure(value, (metres) => metres !== undefined && onChange(metres));
  return (
    <input
      inputMode="decimal"
      pattern="-?[0-9]+([.,][0-9]+)?"
      required
      aria-label={label}
      className="input input-sm w-20"
      value={typed}
      onChange={(e) => type(e.target.value)}
    />
  );
}

type PartProps = { draft: Document; setDraft: (draft: Document) => void };

type AnchorsProps = PartProps & { job: Schemas["JobView"]; networks: Schemas["NetworkChoice"][] };

function Anchors({ job, networks, draft, setDraft }: AnchorsProps) {
  const [name, setName] = useState("");
  const [protocol, setProtocol] = useState<Anchor["protocol"]>(networks[0]?.value ?? "ZIGBEE");
  const [room, setRoom] = useState(job.rooms[0]?.id ?? "");
  const add = () => {
    setDraft({ ...draft, anchors: [...draft.anchors, { name: name || "coordinator", protocol, room }] });
    setName("");
  };
  return (
    <section className="mt-5">
      <h2 className="mb-1 text-[16px]">Coordinators and access points</h2>
      <ul className="mb-2 space-y-1">
        {draft.anchors.map((anchor) => (
          <li key={`${anchor.name} ${anchor.room} ${anchor.protocol}`} className="flex items-center gap-3">
            {anchor.name}, {networks.find(({ value }) => value === anchor.protocol)?.label},{" "}
            {job.rooms.find((r) => r.id === anchor.room)?.name}
            <button
              type="button"
              className="btn btn-xs btn-outline"
              onClick={() => setDraft({ ...draft, anchors: draft.anchors.filter((a) => a !== anchor) })}
            >
              take out
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-end gap-2">
        <TextField label="Name" value={name} onChange={setName} maxLength={60} />
        <Choice label="Network" value={protocol} onChange={setProtocol} options={networks} />
        <Choice
          label="In"
          value={room}
          onChange={setRoom}
          options={job.rooms.map((r) => ({ value: r.id, label: r.name }))}
        />
        <button type="button" className="btn btn-sm btn-outline" onClick={add} disabled={!room}>
          add
        </button>
      </div>
    </section>
  );
}

function Wishes({ draft, setDraft }: PartProps) {
  const [kind, setKind] = useState<Wish["kind"]>("WITHOUT_INTERNET");
  const [detail, setDetail] = useState("");
  const [must, setMust] = useState(false);
  const needsDetail = kind === "PROTOCOL" || kind === "FIRMWARE_FEATURE";
  return (
    <section className="mt-5">
      <h2 className="mb-1 text-[16px]">What this house wants of every module</h2>
      <ul className="mb-2 space-y-1">
        {draft.wishes.map((wish) => (
          <li key={`${wish.kind} ${wish.detail}`} className="flex items-center gap-3">
            {WISHES.find((w) => w.value === wish.kind)?.label} {wish.detail}{" "}
            <b>{wish.must ? "a must" : "a wish"}</b>
            <button
              type="button"
              className="btn btn-xs btn-outline"
              onClick={() => setDraft({ ...draft, wishes: draft.wishes.filter((w) => w !== wish) })}
            >
              take out
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-end gap-2">
        <Choice label="Wish" value={kind} onChange={setKind} options={WISHES} />
        {needsDetail && <TextField label="Which" value={detail} onChange={setDetail} maxLength={80} />}
        <label className="flex items-center gap-2 pb-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={must}
            onChange={(e) => setMust(e.target.checked)}
          />
          a must
        </label>
        <button
          type="button"
          className="btn btn-sm btn-outline"
          disabled={needsDetail && !detail}
          onClick={() => {
            setDraft({
              ...draft,
              wishes: [...draft.wishes, { kind, must, detail: needsDetail ? detail : "" }],
            });
            setDetail("");
          }}
        >
          add
        </button>
        <label className="flex items-center gap-2 pb-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={draft.oneMaker}
            onChange={(e) => setDraft({ ...draft, oneMaker: e.target.checked })}
          />
          one maker for the whole house
        </label>
      </div>
    </section>
  );
}
