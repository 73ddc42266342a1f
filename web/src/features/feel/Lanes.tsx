import type { Schemas } from "../../api/transport";
import {
  axis,
  type Behaviour,
  handLevels,
  isContact,
  type Level,
  lampLevels,
  relayLevels,
  type Sequence,
  words,
} from "./sequence";

export type Lane = { behaviour: Behaviour; label: string; answer: Schemas["BehaviourAnswer"] };

const WIDTH = 660;
const LEFT = 84;
const RIGHT = 10;
const ROW = 34;
const HIGH = 18;
const HEAD = 26;
const TITLE = 30;
const ROWS = 3;

/** What hand, relay and lamp do over time, one behaviour below the other. */
export function Lanes({
  lanes,
  sequence,
  rest,
}: {
  lanes: Lane[];
  sequence: Sequence;
  rest: "OPEN" | "CLOSED";
}) {
  const place = axis(sequence);
  const x = (ms: number) => LEFT + place(ms) * (WIDTH - LEFT - RIGHT);
  const blind = lanes.some((lane) => lane.behaviour === "UP_DOWN");
  const block = TITLE + ROWS * ROW + 10;
  const height = HEAD + lanes.length * block;
  const shown = sequence.events.filter((e, i) => {
    const before = sequence.events[i - 1];
    return !before || x(e.atMs) - x(before.atMs) > 3 || e.deed !== before.deed;
  });
  let free = 0;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="w-full"
      role="img"
      aria-label={lanes.map((lane) => `${lane.label}: ${story(lane)}`).join(" ")}
    >
      {shown.map((event, i) => {
        const at = x(event.atMs);
        const text = words(event);
        const fits = at >= free;
        if (fits) {
          free = at + text.length * 6.3 + 6;
        }
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: two events may be alike.
          <g key={i}>
            {lanes.map((lane, l) => (
              <line
                key={lane.behaviour}
                x1={at}
                x2={at}
                y1={HEAD + l * block + TITLE - 6}
                y2={HEAD + (l + 1) * block - 8}
                stroke="var(--color-primary)"
                strokeDasharray="2 4"
              />
            ))}
            {fits && (
              <line
                x1={at}
                x2={at}
                y1={4}
                y2={HEAD - 6}
                stroke="var(--color-primary)"
                strokeDasharray="2 4"
              />
            )}
            {fits && (
              <text x={at + 4} y={14} fontSize="11" fill="var(--color-primary)">
                {text}
              </text>
            )}
          </g>
        );
      })}
      {lanes.map((lane, l) => {
        const top = HEAD + l * block;
        const relay = relayLevels(lane.answer);
        return (
          <g key={lane.behaviour}>
            <text
              x={0}
              y={top + 16}
              fontSize="14"
              fontWeight="700"
              fontFamily="var(--font-head)"
              fill="var(--color-base-content)"
            >
              {lane.label}
            </text>
            {blind ? (
              <>
                <Row
                  y={top + TITLE}
                  name="up"
                  levels={handLevels(sequence, 1, rest)}
                  x={x}
                  until={sequence.untilMs}
                />
                <Row
                  y={top + TITLE + ROW}
                  name="down"
                  levels={handLevels(sequence, 2, rest)}
                  x={x}
                  until={sequence.untilMs}
                />
                <Row
                  y={top + TITLE + 2 * ROW}
                  name="motor"
                  levels={relay}
                  x={x}
                  until={sequence.untilMs}
                  filled
                />
              </>
            ) : (
              <>
                <Row
                  y={top + TITLE}
                  name="hand"
                  levels={
                    sequence.events.some((e) => isContact(e.deed))
                      ? handLevels(sequence, 1, rest)
                      : [{ atMs: 0, level: 0 }]
                  }
                  x={x}
                  until={sequence.untilMs}
                />
                <Row y={top + TITLE + ROW} name="relay" levels={relay} x={x} until={sequence.untilMs} brass />
                <Row
                  y={top + TITLE + 2 * ROW}
                  name="lamp"
                  levels={lampLevels(relay, sequence)}
                  x={x}
                  until={sequence.untilMs}
                  filled
                />
              </>
            )}
          </g>
        );
      })}
    </svg>
  );
}

/** The lanes in words, for those who do not see them. */
function story(lane: Lane) {
  return lane.answer.trace
    .map(
      (change) =>
        `${(change.atMs / 1000).toFixed(1)} s ${(change.relay ?? change.motion ?? "").toLowerCase()}`,
    )
    .join(", ");
}

function Row({
  y,
  name,
  levels,
  x,
  until,
  brass,
  filled,
}: {
  y: number;
  name: string;
  levels: Level[];
  x: (ms: number) => number;
  until: number;
  brass?: boolean;
  filled?: boolean;
}) {
  const two = levels.some((l) => l.level < 0);
  const base = y + HIGH - (two ? HIGH / 2 : 0);
  const height = two ? HIGH / 2 : HIGH;
  const points: string[] = [];
  const areas: { from: number; to: number; level: number }[] = [];
  levels.forEach((level, i) => {
    const before = levels[i - 1]?.level ?? level.level;
    points.push(
      `${x(level.atMs)},${base - before * height}`,
      `${x(level.atMs)},${base - level.level * height}`,
    );
    if (level.level !== 0) {
      areas.push({ from: x(level.atMs), to: x(levels[i + 1]?.atMs ?? until), level: level.level });
    }
  });
  points.push(`${x(until)},${base - (levels.at(-1)?.level ?? 0) * height}`);
  const colour = brass || filled ? "var(--color-accent)" : "var(--color-base-content)";
  return (
    <g>
      <text x={0} y={y + HIGH - 3} fontSize="13" fill="var(--color-soft, currentColor)" className="text-soft">
        {name}
      </text>
      <line
        x1={x(0)}
        x2={x(until)}
        y1={base}
        y2={base}
        stroke="var(--color-line, currentColor)"
        opacity="0.35"
      />
      {filled &&
        areas.map((area) => (
          <rect
            key={`${area.from} ${area.level}`}
            x={area.from}
            width={Math.max(0, area.to - area.from)}
            y={area.level > 0 ? base - height : base}
            height={height}
            fill="var(--color-accent)"
            opacity="0.35"
          />
        ))}
      <polyline points={points.join(" ")} fill="none" stroke={colour} strokeWidth="2.4" />
    </g>
  );
}
