import type { Schemas } from "../../api/transport";

type Props = {
  room: Schemas["PlaceInBoxView"];
  inside: { widthMm: number; heightMm: number; round?: boolean | null };
};

/** The box from the front with where the module lies: behind a mechanism hatched wide, beside it filled. */
export function RoomPicture({ room, inside }: Props) {
  const { widthMm: width, heightMm: height } = inside;
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
      {room.rounds.length === 0 && (
        <rect
          width={width}
          height={height}
          rx="3"
          className="fill-base-200 stroke-base-content"
          strokeWidth="1.5"
        />
      )}
      {room.rounds.map((round) => (
        <circle
          key={round.x}
          cx={round.x}
          cy={height - round.y}
          r={round.radius}
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
