import { X } from "lucide-react";
import { memo, useCallback, useMemo, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { useFetchAhead } from "./ahead";
import { Mark, type MarkKind } from "../../ui/Mark";
import { useDrawer } from "./drawers";

type Box = Schemas["BoxView"];

/** The house as its faceplates, by storey. It is the navigation. */
export function PlateRail({
  job,
  selected,
  stage,
}: {
  job: Schemas["JobView"];
  selected?: string;
  stage: string;
}) {
  const { drawer, show } = useDrawer();
  const [filter, setFilter] = useState("");
  const wanted = filter.trim().toLowerCase();
  const storeys = useMemo(() => byStorey(job), [job]);
  const close = useCallback(() => show(null), [show]);
  const ahead = useFetchAhead();
  return (
    <nav
      aria-label="Boxes of the house"
      className={`no-print bg-base-300 border-line w-[232px] shrink-0 overflow-y-auto border-r px-2.5 py-3 lg:static lg:block ${
        drawer === "rail" ? "fixed inset-y-0 left-0 z-30 block" : "hidden"
      }`}
    >
      <div className="mb-2 flex items-center justify-between px-1.5">
        <Link
          to={`/jobs/${job.id}`}
          onClick={() => show(null)}
          className={`font-head font-semibold hover:underline ${selected ? "" : "text-primary"}`}
        >
          The house
        </Link>
        <button
          type="button"
          className="btn btn-ghost btn-square btn-sm lg:hidden"
          onClick={() => show(null)}
          aria-label="close the boxes"
        >
          <X size={18} aria-hidden />
        </button>
      </div>
      {job.boxes.length > 0 && (
        <input
          className="input input-sm mb-3 w-full"
          aria-label="show only boxes with"
          placeholder="show only …"
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
        />
      )}
      {job.boxes.length === 0 && (
        <p className="text-soft px-1.5 text-sm">No boxes yet. Add a circuit and a room first.</p>
      )}
      {storeys.map(({ storey, entries }) => (
        // Entries stay in the page and are only hidden: a house of hundreds of boxes answers at once.
        <section
          key={storey}
          className="mb-3"
          hidden={!entries.some((entry) => entry.words.includes(wanted))}
        >
          <h2 className="text-soft border-line mx-1.5 mb-1 border-b pb-0.5 text-[13px]">{storey}</h2>
          <ul>
            {entries.map(({ box, room, words }) => (
              <li key={box.id} hidden={!words.includes(wanted)} className="rail-entry">
                <RailEntry
                  job={job.id}
                  room={room}
                  box={box}
                  stage={stage}
                  selected={box.id === selected}
                  onGo={close}
                  onAhead={ahead}
                />
              </li>
            ))}
          </ul>
        </section>
      ))}
    </nav>
  );
}

/** Boxes under their storeys, with the words that they are found by. */
function byStorey(job: Schemas["JobView"]) {
  const rooms = new Map(job.rooms.map((room) => [room.id, room]));
  const storeys = new Map<string, { box: Box; room: string; words: string }[]>();
  for (const room of job.rooms) {
    storeys.set(room.storey, []);
  }
  for (const box of job.boxes) {
    const room = rooms.get(box.roomId);
    const name = room?.name ?? "";
    storeys
      .get(room?.storey ?? "")
      ?.push({ box, room: name, words: `${name} ${box.label} ${box.summary}`.toLowerCase() });
  }
  return [...storeys].map(([storey, entries]) => ({ storey, entries })).filter((s) => s.entries.length > 0);
}

const RailEntry = memo(function RailEntry({
  job,
  room,
  box,
  stage,
  selected,
  onGo,
  onAhead,
}: {
  job: string;
  room: string;
  box: Box;
  stage: string;
  selected: boolean;
  onGo: () => void;
  onAhead: (box: string, stage: string) => void;
}) {
  return (
    <Link
      to={`/jobs/${job}/boxes/${box.id}/${stage}`}
      onClick={onGo}
      onPointerEnter={() => onAhead(box.id, stage)}
      onFocus={() => onAhead(box.id, stage)}
      aria-current={selected ? "page" : undefined}
      className={`flex min-h-[50px] items-center gap-2.5 rounded-[4px] border-[1.5px] px-1.5 py-1 ${
        selected ? "border-primary bg-base-100" : "hover:border-edge border-transparent"
      }`}
    >
      <Plate gangs={box.gangs} kind={box.kind} mark={markOf(box)} />
      <span className="min-w-0">
        <span className="block truncate font-semibold">{room}</span>
        <span className="text-soft block truncate text-[13px]">
          {box.label} · {box.summary}
        </span>
      </span>
    </Link>
  );
});

/** The corner mark is the worst open finding, or a ring once the box is fitted. */
function markOf(box: Box): MarkKind | null {
  const fitted = box.stages.some((s) => s.stage === "FIT" && s.progress === "DONE");
  if (box.worst === "STOP" || box.worst === "HOLD") {
    return box.worst;
  }
  return fitted ? "OK" : null;
}

/** A box as its faceplate, gangs as rockers. */
export function Plate({ gangs, kind, mark }: { gangs: number; kind: Box["kind"]; mark: MarkKind | null }) {
  const rocker = Math.min(15, 42 / Math.max(1, gangs));
  const width = gangs > 0 ? rocker * gangs + 12 : 34;
  return (
    <span className="relative shrink-0">
      <svg width="56" height="40" viewBox="0 0 56 40" aria-hidden="true" fill="none" stroke="currentColor">
        <rect
          x={28 - width / 2}
          y="3"
          width={width}
          height="34"
          rx={["LUMINAIRE", "CEILING_ROSE", "CANOPY"].includes(kind) ? 17 : 4}
          fill="var(--color-base-100)"
          strokeWidth="1.5"
        />
        {gangs === 0 && <Bare kind={kind} />}
        {Array.from({ length: gangs }, (_, i) => i).map((i) => (
          <g key={i} transform={`translate(${28 - (rocker * gangs) / 2 + i * rocker} 9)`}>
            <rect x="1" y="0" width={rocker - 2} height="22" rx="2" strokeWidth="1.3" />
            <path d={`M1 11h${rocker - 2}`} strokeWidth="1" />
          </g>
        ))}
      </svg>
      {mark && (
        <span className="bg-base-300 absolute -top-1 -right-1 rounded-full">
          <Mark kind={mark} size={17} />
        </span>
      )}
    </span>
  );
}

/** What stands in place of rockers where a box has none. */
function Bare({ kind }: { kind: Box["kind"] }) {
  switch (kind) {
    case "LUMINAIRE":
    case "CEILING_ROSE":
    case "CANOPY":
      return <path d="M21 13l14 14M35 13L21 27" strokeWidth="1.4" />;
    case "SOCKET":
      return <path d="M23 20h.01M33 20h.01" strokeWidth="4" strokeLinecap="round" />;
    case "WALL":
    case "JUNCTION":
    case "PANEL":
      return <path d="M20 20h16M28 12v16" strokeWidth="1.4" />;
    default:
      return kind satisfies never;
  }
}
