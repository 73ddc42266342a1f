import { X } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
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
  const storeys = [...new Set(job.rooms.map((room) => room.storey))];
  const isWanted = (box: Box) =>
    `${job.rooms.find((room) => room.id === box.roomId)?.name} ${box.label} ${box.summary}`
      .toLowerCase()
      .includes(wanted);
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
      {storeys.map((storey) => {
        const rooms = job.rooms.filter((room) => room.storey === storey);
        const boxes = job.boxes.filter(
          (box) => isWanted(box) && rooms.some((room) => room.id === box.roomId),
        );
        return boxes.length === 0 ? null : (
          <section key={storey} className="mb-3">
            <h2 className="text-soft border-line mx-1.5 mb-1 border-b pb-0.5 text-[13px]">{storey}</h2>
            <ul>
              {boxes.map((box) => (
                <li key={box.id}>
                  <RailEntry
                    job={job}
                    box={box}
                    stage={stage}
                    selected={box.id === selected}
                    onGo={() => show(null)}
                  />
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </nav>
  );
}

function RailEntry({
  job,
  box,
  stage,
  selected,
  onGo,
}: {
  job: Schemas["JobView"];
  box: Box;
  stage: string;
  selected: boolean;
  onGo: () => void;
}) {
  const room = job.rooms.find((r) => r.id === box.roomId);
  return (
    <Link
      to={`/jobs/${job.id}/boxes/${box.id}/${stage}`}
      onClick={onGo}
      aria-current={selected ? "page" : undefined}
      className={`flex min-h-[50px] items-center gap-2.5 rounded-[4px] border-[1.5px] px-1.5 py-1 ${
        selected ? "border-primary bg-base-100" : "hover:border-edge border-transparent"
      }`}
    >
      <Plate gangs={box.gangs} mark={markOf(box)} />
      <span className="min-w-0">
        <span className="block truncate font-semibold">{room?.name}</span>
        <span className="text-soft block truncate text-[13px]">
          {box.label} · {box.summary}
        </span>
      </span>
    </Link>
  );
}

/** The corner mark is the worst open finding, or a ring once the box is fitted. */
function markOf(box: Box): MarkKind | null {
  const fitted = box.stages.some((s) => s.stage === "FIT" && s.progress === "DONE");
  if (box.worst === "STOP" || box.worst === "HOLD") {
    return box.worst;
  }
  return fitted ? "OK" : null;
}

/** A box as its faceplate, gangs as rockers. */
export function Plate({ gangs, mark }: { gangs: number; mark: MarkKind | null }) {
  const rocker = Math.min(15, 42 / gangs);
  return (
    <span className="relative shrink-0">
      <svg width="56" height="40" viewBox="0 0 56 40" aria-hidden="true" fill="none" stroke="currentColor">
        <rect
          x={28 - (rocker * gangs) / 2 - 6}
          y="3"
          width={rocker * gangs + 12}
          height="34"
          rx="4"
          fill="var(--color-base-100)"
          strokeWidth="1.5"
        />
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
