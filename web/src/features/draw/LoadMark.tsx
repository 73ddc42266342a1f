import type { Schemas } from "../../api/client";
import { Words } from "./ink";

const RADIUS = 15;
const FILL = { on: "var(--lamp)", dim: "var(--glow)", off: "var(--color-base-100)" };
/** Ink of the cross in a lit lamp: dark in both themes. */
const LIT_CROSS = "oklch(0.27 0.05 255)";

/** A load as the lamp symbol; lit when its state is on. */
export function LoadMark({ load, state }: { load: Schemas["LoadSymbol"]; state: "on" | "dim" | "off" }) {
  const { x, y } = load;
  const d = RADIUS * Math.SQRT1_2;
  return (
    <g data-load={load.partIds[0]} data-state={state}>
      <title>{`${load.label}: ${state}`}</title>
      <path d={`M${x - 22} ${y}h${22 - RADIUS}`} stroke="var(--color-base-content)" strokeWidth="2" />
      <circle
        cx={x}
        cy={y}
        r={RADIUS}
        fill={FILL[state]}
        stroke="var(--color-base-content)"
        strokeWidth="1.8"
      />
      <path
        d={`M${x - d} ${y - d}L${x + d} ${y + d}M${x + d} ${y - d}L${x - d} ${y + d}`}
        stroke={state === "on" ? LIT_CROSS : "var(--color-base-content)"}
        strokeWidth="1.6"
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
