import type { Schemas } from "../../api/transport";
import { LampMark, SwitchMark } from "./marks";
import type { Does, LiveNow } from "./useLive";

type Room = Schemas["LiveRoomView"];
type Placed = Schemas["PlacedView"];

/** The house from above, storey by storey, with everything in it that a hand or an eye finds. */
export function HousePlan({
  storeys,
  now,
  does,
}: {
  storeys: Schemas["LiveStoreyView"][];
  now: LiveNow;
  does: Does;
}) {
  return (
    <div className="space-y-4">
      {[...storeys].reverse().map((storey) => {
        const used = storey.rooms.filter((r) => r.placed || r.switches.length > 0 || r.lamps.length > 0);
        const placed = used.filter((r) => r.placed);
        const loose = used.filter((r) => !r.placed);
        return (
          <section key={storey.name} aria-label={storey.name}>
            <h2 className="text-soft mb-1 text-[13px]">{storey.name}</h2>
            {placed.length > 0 && <Grid rooms={placed} now={now} does={does} />}
            {loose.length > 0 && (
              <div className="mt-2 grid gap-2 sm:grid-cols-2">
                {loose.map((room) => (
                  <RoomBox key={room.id} room={room} now={now} does={does} />
                ))}
              </div>
            )}
          </section>
        );
      })}
    </div>
  );
}

/** A share of a metre below which two walls are one line. */
const SAME = 0.25;

const GAP = "10px";

const lines = (edges: number[]) =>
  [...edges].sort((a, b) => a - b).filter((edge, i, all) => i === 0 || edge - (all[i - 1] ?? 0) > SAME);

const lineOf = (all: number[], edge: number) => {
  const at = all.findIndex((line) => Math.abs(line - edge) <= SAME);
  return Math.max(at, 0) + 1;
};

/** Rooms where they are: walls are the lines of a grid, and rooms grow with what is in them. */
function Grid({ rooms, now, does }: { rooms: Room[]; now: LiveNow; does: Does }) {
  const places = rooms.map((r) => r.placed as Placed);
  const xs = lines(places.flatMap((p) => [p.x, p.x + p.width]));
  const ys = lines(places.flatMap((p) => [p.y, p.y + p.depth]));
  const between = (all: number[], low: (p: Placed) => number, high: (p: Placed) => number) =>
    all.slice(1).map((edge, i) => {
      const middle = (edge + (all[i] ?? edge)) / 2;
      return {
        metres: edge - (all[i] ?? edge),
        used: places.some((p) => low(p) < middle && middle < high(p)),
      };
    });
  // What no room takes is shown as a gap and no more.
  const columns = between(
    xs,
    (p) => p.x,
    (p) => p.x + p.width,
  ).map((c) => (c.used ? `minmax(min-content, ${c.metres.toFixed(2)}fr)` : GAP));
  const rows = between(
    ys,
    (p) => p.y,
    (p) => p.y + p.depth,
  )
    .map((r) => (r.used ? "auto" : GAP))
    .reverse();
  return (
    <div
      className="border-edge flex flex-col gap-1 border p-1 sm:grid"
      style={{ gridTemplateColumns: columns.join(" "), gridTemplateRows: rows.join(" ") }}
    >
      {rooms.map((room) => {
        const p = room.placed as Placed;
        return (
          <RoomBox
            key={room.id}
            room={room}
            now={now}
            does={does}
            style={{
              gridColumn: `${lineOf(xs, p.x)} / ${lineOf(xs, p.x + p.width)}`,
              gridRow: `${ys.length + 1 - lineOf(ys, p.y + p.depth)} / ${ys.length + 1 - lineOf(ys, p.y)}`,
            }}
          />
        );
      })}
    </div>
  );
}

function RoomBox({
  room,
  now,
  does,
  style,
}: {
  room: Room;
  now: LiveNow;
  does: Does;
  style?: React.CSSProperties;
}) {
  const lit = room.lamps.some((lamp) => (now.lamps[lamp.id]?.percent ?? 0) > 0);
  return (
    <fieldset
      aria-label={room.name}
      className={`border-line min-w-0 rounded-[3px] border p-2 ${lit ? "bg-accent/15" : "bg-base-200"}`}
      style={style}
    >
      <h3 className="text-[13px] leading-tight font-semibold break-words">{room.name}</h3>
      <div className="mt-1 flex flex-wrap items-start gap-x-2 gap-y-1">
        {room.switches.map((each) => (
          <SwitchMark
            key={each.id}
            name={each.name}
            doing={each.doing}
            up={now.operated.includes(each.id)}
            onHand={(doing) => does({ kind: "HAND", at: each.id, doing })}
          />
        ))}
        {room.lamps.map((lamp) => (
          <LampMark
            key={lamp.id}
            name={lamp.name}
            light={lamp.drives === "LIGHT"}
            now={now.lamps[lamp.id]}
            moves={lamp.output ? now.outputs[lamp.output]?.motion : undefined}
            onOrder={
              lamp.output
                ? () =>
                    does({
                      kind: "ORDER",
                      at: lamp.output,
                      percent: (now.outputs[lamp.output as string]?.percent ?? 0) > 0 ? 0 : 100,
                    })
                : undefined
            }
          />
        ))}
      </div>
      {room.switches.length + room.lamps.length === 0 && (
        <p className="text-soft text-[12px]">nothing planned</p>
      )}
    </fieldset>
  );
}
