import type { Schemas } from "../../api/transport";

type Props = {
  job: Schemas["JobView"];
  rooms: Schemas["RoomEntry"][];
  anchors: Schemas["AnchorEntry"][];
};

const SCALE = 16;
/** Pixels that a letter of a name takes. */
const LETTER = 5.4;

const fitting = (words: string, width: number) => {
  const most = Math.floor((width * SCALE - 6) / LETTER);
  return words.length <= most ? words : `${words.slice(0, Math.max(1, most - 1))}…`;
};

/** The rooms of each storey from above, with where the networks begin. */
export function RoomsPlan({ job, rooms, anchors }: Props) {
  const storeys = [...new Set(rooms.map((r) => r.storey))].sort((a, b) => a - b);
  if (rooms.length === 0) {
    return <p>No room is placed yet. Type where the first one is.</p>;
  }
  return (
    <div className="flex flex-wrap gap-4">
      {storeys.map((storey) => {
        const here = rooms.filter((r) => r.storey === storey);
        const left = Math.min(...here.map((r) => r.x));
        const low = Math.min(...here.map((r) => r.y));
        const width = Math.max(...here.map((r) => r.x + r.width)) - left;
        const depth = Math.max(...here.map((r) => r.y + r.depth)) - low;
        const name = job.rooms.find((r) => r.id === here[0]?.room)?.storey ?? "";
        return (
          <figure key={storey}>
            <figcaption className="text-soft text-sm">{name}</figcaption>
            <svg
              role="img"
              aria-label={`plan of ${name}`}
              width={width * SCALE + 2}
              height={depth * SCALE + 2}
              className="max-w-full"
            >
              {here.map((r) => {
                const room = job.rooms.find((j) => j.id === r.room);
                const x = (r.x - left) * SCALE + 1;
                const y = (depth - (r.y - low) - r.depth) * SCALE + 1;
                const here = anchors.filter((a) => a.room === r.room);
                return (
                  <g key={r.room}>
                    <title>{[room?.name, ...here.map((a) => a.name)].join(", ")}</title>
                    <rect
                      x={x}
                      y={y}
                      width={r.width * SCALE}
                      height={r.depth * SCALE}
                      className="fill-base-200 stroke-base-content"
                      strokeWidth={r.walls === "PLASTERBOARD" || r.walls === "GLASS" ? 1 : 2}
                    />
                    <text x={x + 4} y={y + 13} className="fill-base-content text-[10px]">
                      {fitting(room?.name ?? "", r.width)}
                    </text>
                    {here.map((a, i) => (
                      <text
                        key={fitting(a.name, r.width)}
                        x={x + 4}
                        y={y + 26 + 11 * i}
                        className="fill-primary text-[10px] font-bold"
                      >
                        {a.name}
                      </text>
                    ))}
                  </g>
                );
              })}
            </svg>
          </figure>
        );
      })}
    </div>
  );
}
