import type { Schemas } from "../../api/client";

type Props = {
  room: Schemas["PlaceInBoxView"];
  inside: { widthMm: number; heightMm: number; round?: boolean | null };
};

const PITCH_MM = 71;

/** The box from the front with where the module lies: behind a mechanism hatched wide, beside it filled. */
export function RoomPicture({ room, inside }: Props) {
  const { widthMm: width, heightMm: height } = inside;
  const rounds = inside.round ? 1 + Math.round(Math.max(0, width - height) / PITCH_MM) : 0;
  const words = room.lying
    .map((l) => `${l.beside ? "beside" : "behind"} the mechanism, from ${l.from} to ${l.to} mm deep`)
    .join("; ");
  return (
    <svg
      role="img"
      aria-label={`where it lies: ${words}`}
      viewBox={`-2 -2 ${width + 4} ${height + 4}`}
      className="h-16 max-w-40"
    >
      <title>{words}</title>
      {rounds === 0 && (
        <rect
          width={width}
          height={height}
          rx="3"
          className="fill-base-200 stroke-base-content"
          strokeWidth="1.5"
        />
      )}
      {Array.from({ length: rounds }, (_, i) => width / 2 + PITCH_MM * (i - (rounds - 1) / 2)).map((x) => (
        <circle
          key={x}
          cx={x}
          cy={height / 2}
          r={height / 2}
          className="fill-base-200 stroke-base-content"
          strokeWidth="1.5"
        />
      ))}
      {room.lying.map((l) => (
        <rect
          key={`${l.x} ${l.y} ${l.from}`}
          x={l.x}
          y={height - l.y - l.height}
          width={l.width}
          height={l.height}
          rx="2"
          className={l.beside ? "fill-primary/40 stroke-primary" : "stroke-primary fill-none"}
          strokeWidth="2"
          strokeDasharray={l.beside ? undefined : "4 2"}
        />
      ))}
    </svg>
  );
}
