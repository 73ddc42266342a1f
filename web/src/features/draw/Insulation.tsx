import type { Schemas } from "../../api/transport";
import { WIRE_INK } from "./wires";

type Props = { way: string; colour: Schemas["CoreEntry"]["colour"]; width: number };

/** A piece of wire as its insulation looks: white with an edge, that it is seen on paper; green-yellow in stripes. */
export function Insulation({ way, colour, width }: Props) {
  return (
    <>
      {colour === "WHITE" && (
        <path d={way} fill="none" stroke="var(--edge)" strokeWidth={width + 1.8} data-edge />
      )}
      <path d={way} fill="none" stroke={WIRE_INK[colour]} strokeWidth={width} />
      {colour === "GREEN_YELLOW" && (
        <path d={way} fill="none" stroke="var(--wire-yellow)" strokeWidth={width} strokeDasharray="7 7" />
      )}
    </>
  );
}
