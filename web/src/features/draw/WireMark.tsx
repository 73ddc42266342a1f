import type { Schemas } from "../../api/transport";
import { Insulation } from "./Insulation";
import { Panel, Words } from "./ink";
import { roundedPath } from "./wires";

/** A conductor in the colour of its insulation, with a halo while it is energised. */
export function WireMark({ wire, live }: { wire: Schemas["Wire"]; live: boolean }) {
  const way = roundedPath(wire.points);
  return (
    <g data-wire={wire.key} data-live={live}>
      <title>{wire.words}</title>
      {live && <path d={way} stroke="var(--glow)" strokeWidth="11" strokeLinecap="round" />}
      <Insulation way={way} colour={wire.colour} width={3.6} />
    </g>
  );
}

/** What the plan does to a conductor, beside its letters. */
export const CHANGE_SIGN: Record<Schemas["Wire"]["change"], string> = {
  NONE: "",
  MOVED: "›",
  ADDED: "+",
  CAPPED: "×",
};

/** The sheath of a cable on its way to another box. */
export function TrunkMark({ trunk }: { trunk: Schemas["Trunk"] }) {
  const way = roundedPath(trunk.points, 10);
  return (
    <g>
      <title>{`cable ${trunk.name}`}</title>
      <path d={way} stroke="var(--color-base-content)" strokeWidth="9" strokeLinecap="round" />
      <path d={way} stroke="var(--color-base-200)" strokeWidth="6" strokeLinecap="round" />
    </g>
  );
}

/** The letters of a conductor's colour, so that colour is never the only carrier. */
export function LetterTag({ wire }: { wire: Schemas["Wire"] }) {
  const { x, y } = wire.tag;
  const letters = `${wire.letters}${CHANGE_SIGN[wire.change]}`;
  const width = letters.length * 7.5 + 8;
  return (
    <g aria-hidden>
      <Panel
        frame={{ x: x - width / 2, y: y - 8, width, height: 16 }}
        radius={3}
        fill="var(--color-base-100)"
        edge={wire.change === "NONE" ? undefined : "var(--color-primary)"}
      />
      <Words x={x} y={y + 4} size={12.5} anchor="middle" mono>
        {letters}
      </Words>
    </g>
  );
}

/** The sheath of a cable where it enters the box. */
export function CableMark({ cable }: { cable: Schemas["CableSymbol"] }) {
  const { frame } = cable;
  return (
    <g>
      <Panel frame={frame} />
      <Words x={frame.x + frame.width / 2} y={frame.y + frame.height / 2 + 4} anchor="middle" mono>
        {cable.name}
      </Words>
      {cable.label && (
        <Words
          x={cable.left ? frame.x - 4 : frame.x + frame.width}
          y={frame.y - 6}
          anchor={cable.left ? "start" : "end"}
          soft
        >
          {cable.label}
        </Words>
      )}
    </g>
  );
}
