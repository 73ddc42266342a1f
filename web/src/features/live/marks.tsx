import type { Schemas } from "../../api/transport";

type Doing = NonNullable<Schemas["LiveDeed"]["doing"]>;

/** A switch at the wall as its plate; it is worked by a press on it. A push is held by a press with Shift. */
export function SwitchMark({
  name,
  doing,
  up,
  onHand,
}: {
  name: string;
  doing: Doing;
  up: boolean;
  onHand: (doing: Doing) => void;
}) {
  const push = doing === "PRESS";
  return (
    <button
      type="button"
      aria-label={`${push ? "press" : "flip"} ${name}`}
      aria-pressed={push ? undefined : up}
      title={push ? `${name}: press, with Shift hold` : `${name}: flip`}
      className="hover:bg-base-100 flex w-[68px] cursor-pointer flex-col items-center gap-0.5 rounded-[3px] p-1 max-sm:min-h-12"
      onClick={(event) => onHand(push && event.shiftKey ? "HOLD" : doing)}
    >
      <svg width="30" height="34" viewBox="0 0 30 34" aria-hidden="true">
        <rect
          x="1"
          y="1"
          width="28"
          height="32"
          rx="3"
          className="fill-base-100 stroke-base-content"
          strokeWidth="1.5"
        />
        {push ? (
          <circle
            cx="15"
            cy="17"
            r={up ? 6 : 8}
            className={up ? "fill-base-content" : "stroke-base-content fill-none"}
            strokeWidth="1.5"
          />
        ) : (
          <>
            <rect
              x="9"
              y="6"
              width="12"
              height="22"
              rx="2"
              className="stroke-base-content fill-none"
              strokeWidth="1.5"
            />
            <rect x="10.5" y={up ? 7.5 : 17} width="9" height="9.5" rx="1" className="fill-base-content" />
          </>
        )}
      </svg>
      <span className="line-clamp-2 text-center text-[11.5px] leading-tight break-words">{name}</span>
    </button>
  );
}

const RAYS = [0, 45, 90, 135, 180, 225, 270, 315];

/** A lamp as eyes see it: rays when it burns, a ring when it does not, a dotted ring when it glows faintly. Anything else is a square. */
export function LampMark({
  name,
  light,
  now,
  moves,
  onOrder,
}: {
  name: string;
  light: boolean;
  now?: Schemas["LampView"];
  moves?: Schemas["LiveOutputView"]["motion"];
  onOrder?: () => void;
}) {
  const percent = now?.percent ?? 0;
  const lit = percent > 0;
  const glows = now?.state === "DIM";
  const going = moves && moves !== "STOP" ? (moves === "UP" ? "goes up" : "goes down") : undefined;
  const words = going ?? (lit ? (percent < 100 ? `${percent} %` : "on") : glows ? "glows" : "off");
  const body = (
    <>
      <svg width="34" height="34" viewBox="-17 -17 34 34" aria-hidden="true">
        {lit && light && <circle r="15" className="fill-accent" opacity={0.15 + (0.45 * percent) / 100} />}
        {lit &&
          light &&
          RAYS.map((angle) => (
            <line
              key={angle}
              x1={10}
              x2={14}
              y1={0}
              y2={0}
              transform={`rotate(${angle})`}
              className="stroke-base-content"
              strokeWidth="1.5"
            />
          ))}
        {light ? (
          <circle
            r="7"
            className={lit ? "fill-accent stroke-base-content" : "stroke-base-content fill-none"}
            strokeWidth="1.5"
            strokeDasharray={glows ? "2 2" : undefined}
          />
        ) : (
          <rect
            x="-8"
            y="-8"
            width="16"
            height="16"
            rx="2"
            className={lit ? "fill-accent stroke-base-content" : "stroke-base-content fill-none"}
            strokeWidth="1.5"
          />
        )}
      </svg>
      <span className="line-clamp-2 text-center text-[11.5px] leading-tight break-words">{name}</span>
      <span className="text-soft font-mono text-[11px]">{words}</span>
    </>
  );
  const look = "flex w-[68px] flex-col items-center gap-0.5 rounded-[3px] p-1";
  return onOrder ? (
    <button
      type="button"
      aria-label={`${name}: ${words}, switch by remote`}
      title={`${name}: ${words}; press to switch it by remote`}
      className={`${look} hover:bg-base-100 cursor-pointer`}
      onClick={onOrder}
    >
      {body}
    </button>
  ) : (
    <div role="img" aria-label={`${name}: ${words}`} className={look}>
      {body}
    </div>
  );
}
