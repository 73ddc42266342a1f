import type { Schemas } from "../../api/transport";

type Shape = Schemas["CircuitShapeView"];

const STEP = 62;
const LEFT = 34;
const MIDDLE = 46;
const HALF = 13;

/** The place that most cables meet in stands between the others. */
function inOrder(shape: Shape): Shape["places"] {
  const meets = (key: string) => shape.cables.filter(({ from, to }) => from === key || to === key).length;
  const hub = shape.places.find((place) => meets(place.key) > 1);
  const others = shape.places.filter((place) => place !== hub);
  return hub && others.length === 2
    ? [others[0], hub, others[1]].filter((place) => place !== undefined)
    : shape.places;
}

/** How a circuit runs: the feed from above, boxes in a row, what it feeds below. */
export function ShapePicture({ shape }: { shape: Shape }) {
  const places = inOrder(shape);
  const x = (key: string) => LEFT + places.findIndex((place) => place.key === key) * STEP;
  const width = LEFT * 2 + (places.length - 1) * STEP;
  return (
    <svg
      viewBox={`0 0 ${width} 96`}
      className="h-24 w-full"
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
    >
      {shape.cables.map(({ from, to }) => (
        <line key={`${from}${to}`} x1={x(from)} x2={x(to)} y1={MIDDLE} y2={MIDDLE} strokeWidth={3} />
      ))}
      {shape.fedAt.map((key) => (
        <path key={key} d={`M ${x(key)} 4 V ${MIDDLE - HALF} m -5 -7 l 5 7 l 5 -7`} strokeWidth={2} />
      ))}
      {shape.loadsAt.map((key) => (
        <path
          key={key}
          d={`M ${x(key)} ${MIDDLE + HALF} V 70`}
          strokeWidth={2}
          strokeDasharray={ownLamp(shape, key) ? "0" : "3 3"}
        />
      ))}
      {shape.loadsAt.map((key) => (
        <g key={key} strokeWidth={2}>
          <circle cx={x(key)} cy={80} r={9} />
          <path d={`M ${x(key) - 6} 74 l 12 12 m 0 -12 l -12 12`} />
          {shape.fedAt.length === 0 && (
            <path d={`M ${x(key) + 34} 80 H ${x(key) + 11} m 7 -5 l -7 5 l 7 5`} />
          )}
        </g>
      ))}
      {places.map((place) => (
        <g key={place.key} strokeWidth={2}>
          <rect
            x={x(place.key) - HALF}
            y={MIDDLE - HALF}
            width={HALF * 2}
            height={HALF * 2}
            rx={place.kind === "WALL" ? 2 : HALF}
            fill="var(--color-base-100)"
          />
          {place.kind === "WALL" && (
            <path d={`M ${x(place.key) - 6} ${MIDDLE + 5} l 11 -10`} strokeWidth={3} />
          )}
        </g>
      ))}
    </svg>
  );
}

/** Whether the load hangs in the place itself. */
const ownLamp = (shape: Shape, key: string) =>
  shape.places.find((place) => place.key === key)?.kind !== "WALL";
