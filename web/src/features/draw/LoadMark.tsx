import type { Schemas } from "../../api/transport";
import { Words } from "./ink";

export type LampState = "on" | "dim" | "off";

const RADIUS = 15;
const DIAGONAL = RADIUS * Math.SQRT1_2;
const FILL = { on: "var(--lamp)", dim: "var(--glow)", off: "var(--color-base-100)" };
/** Ink inside what is on: dark in both themes. */
const LIT_CROSS = "oklch(0.27 0.05 255)";

/** A load at the end of its cable; lit when its state is on. */
export function LoadMark({ load, state }: { load: Schemas["LoadSymbol"]; state: LampState }) {
  const { x, y } = load;
  return (
    <g>
      <path d={`M${x - 22} ${y}h${22 - RADIUS}`} stroke="var(--color-base-content)" strokeWidth="2" />
      <LoadShape
        x={x}
        y={y}
        shape={load.shape}
        state={state}
        name={load.label}
        part={load.partIds[0] ?? ""}
      />
      <Words x={x + RADIUS + 7} y={y - 1} size={14}>
        {load.label}
      </Words>
      <Words x={x + RADIUS + 7} y={y + 15} size={13} mono soft>
        {load.detail}
      </Words>
    </g>
  );
}

type SymbolProps = {
  x: number;
  y: number;
  shape: Schemas["LoadSymbol"]["shape"];
  state: LampState;
  name: string;
  part: string;
};

/** The symbol of a load in circuit drawings, centred. */
export function LoadShape({ x, y, shape, state, name, part }: SymbolProps) {
  return (
    <g
      data-load={part}
      data-state={state}
      fill={FILL[state]}
      stroke="var(--color-base-content)"
      strokeWidth="1.8"
      transform={`translate(${x} ${y})`}
    >
      <title>{`${name}: ${state}`}</title>
      <Outline shape={shape} ink={state === "on" ? LIT_CROSS : "var(--color-base-content)"} />
    </g>
  );
}

function Outline({ shape, ink }: { shape: SymbolProps["shape"]; ink: string }) {
  switch (shape) {
    case "MOTOR":
      return (
        <>
          <circle r={RADIUS} />
          <text textAnchor="middle" y="6" fontSize="16" fontWeight="600" fill={ink} stroke="none">
            M
          </text>
        </>
      );
    case "HEATER":
      return (
        <>
          <rect x={-RADIUS} y="-9" width={2 * RADIUS} height="18" />
          <path d="M-7.5 -9v18M0 -9v18M7.5 -9v18" stroke={ink} />
        </>
      );
    case "SOCKET":
      return (
        <>
          <path d={`M${-RADIUS + 3} 9a12 12 0 0 1 24 0z`} />
          <path d={`M0 -3v-10M${-RADIUS + 3} 9h24`} />
        </>
      );
    case "COIL":
      return <rect x="-10" y={-RADIUS} width="20" height={2 * RADIUS} />;
    default:
      return (
        <>
          <circle r={RADIUS} />
          <path
            d={`M${-DIAGONAL} ${-DIAGONAL}L${DIAGONAL} ${DIAGONAL}M${DIAGONAL} ${-DIAGONAL}L${-DIAGONAL} ${DIAGONAL}`}
            stroke={ink}
          />
        </>
      );
  }
}
