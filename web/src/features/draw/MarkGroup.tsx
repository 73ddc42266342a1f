import type { KeyboardEvent } from "react";
import type { Schemas } from "../../api/transport";
import { INK } from "./inks";
import { loadState, type Picture, type Positions, shows } from "./states";

type Group = Schemas["GroupOfMarks"];

type Props = {
  group: Group;
  /** Positions to show; without them nothing is energised. */
  at?: Positions;
  picture: Picture | null;
  onOperate?: (id: string) => void;
};

/** Marks that are one thing, as far as they show in this state. */
export function MarkGroup({ group, at, picture, onOperate }: Props) {
  const strokes = group.strokes.filter(({ showing }) => shows(showing, at, picture));
  const words = group.words.filter(({ showing }) => shows(showing, at, picture));
  const operate = group.kind === "MECHANISM" && at && onOperate ? () => onOperate(group.subject) : undefined;
  const state = group.kind === "LOAD" ? loadState(group, picture) : undefined;
  return (
    <g
      {...facts(group, strokes, state)}
      {...(operate && button(group.name, at?.[group.subject] ?? 0, operate))}
    >
      {group.name && !operate && <title>{state ? `${group.name}: ${state}` : group.name}</title>}
      {strokes.map(({ way, fill, pen, showing }, index) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: marks have no names, and their order is what they are
          key={index}
          d={way}
          fill={INK[fill]}
          stroke={
            pen.width > 0
              ? pen.ink === "OPERABLE" && operate
                ? "var(--color-primary)"
                : INK[pen.ink]
              : "none"
          }
          strokeWidth={pen.width || undefined}
          strokeLinecap={pen.round ? "round" : undefined}
          strokeDasharray={pen.inked > 0 ? `${pen.inked} ${pen.gap}` : undefined}
          data-when={showing.when}
        />
      ))}
      {words.map(({ x, y, anchor, face, text }) => (
        <text
          key={`${x} ${y}`}
          x={x}
          y={y}
          fontSize={face.size}
          fontFamily={face.mono ? "var(--font-mono)" : "var(--font-sans)"}
          fontWeight={face.bold ? 600 : undefined}
          textAnchor={ANCHOR[anchor]}
          fill={INK[face.ink]}
        >
          {text}
        </text>
      ))}
    </g>
  );
}

const ANCHOR = { START: "start", MIDDLE: "middle", END: "end" } as const;

/** What a test, or a style, finds a group by. */
function facts({ kind, subject }: Group, strokes: Group["strokes"], state?: string) {
  switch (kind) {
    case "WIRE":
      return { "data-wire": subject, "data-live": strokes.some(({ showing }) => showing.when === "LIVE") };
    case "LOAD":
      return { "data-load": subject, "data-state": state };
    case "TAG":
      return { "aria-hidden": true };
    case "MECHANISM":
    case "OTHER":
      return {};
    default:
      return kind satisfies never;
  }
}

/** An SVG group cannot be a button element. */
const button = (name: string, position: number, press: () => void) => ({
  role: "button",
  tabIndex: 0,
  "aria-label": `operate ${name}, now at ${position}`,
  className: "cursor-pointer",
  onClick: press,
  onKeyDown: (event: KeyboardEvent) => {
    if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      press();
    }
  },
});
