import type { Schemas } from "../../api/client";
import { DeviceBody } from "./DeviceBody";
import { LoadMark } from "./LoadMark";
import { type Picture, type Positions, pictureOf } from "./states";
import { CableMark, LetterTag, WireMark } from "./WireMark";

type Props = {
  wiring: Schemas["DrawnWiring"];
  /** Positions to show; without them nothing is energised. */
  at?: Positions;
  onOperate?: (id: string) => void;
  /** Where only a look is wanted, in pixels. */
  maxHeight?: number;
};

/** Largest enlargement of a drawing on a wide screen. */
const LARGEST = 1.25;

/** A box from behind. With positions it is live: energised conductors glow, lamps light, inputs assert. */
export function WiringDrawing({ wiring, at, onOperate, maxHeight }: Props) {
  const { drawing, rows } = wiring;
  const picture = at ? pictureOf(rows, at) : null;
  return (
    <svg
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      className={`mx-auto block h-auto w-full ${maxHeight ? "" : "min-w-[640px]"}`}
      style={{ maxWidth: `${drawing.width * LARGEST}px`, maxHeight: maxHeight && `${maxHeight}px` }}
      role={onOperate ? "group" : "img"}
      aria-label="wiring of the box, from behind"
      fill="none"
    >
      <rect {...drawing.box} rx="8" stroke="var(--color-secondary)" strokeWidth="1.5" strokeDasharray="7 5" />
      {drawing.devices.map((device) => (
        <DeviceBody
          key={`${device.partId} ${device.label} ${device.frame.x}`}
          device={device}
          position={at && (at[device.partId] ?? 0)}
          picture={picture}
          onOperate={onOperate}
        />
      ))}
      {drawing.wires.map((wire) => (
        <WireMark key={wire.key} wire={wire} live={picture?.live.has(wire.node) ?? false} />
      ))}
      {drawing.devices.flatMap((device) =>
        device.ports.map((port) => <Ring key={`${port.node} ${port.name}`} port={port} />),
      )}
      {drawing.wires.map((wire) => (
        <LetterTag key={wire.key} wire={wire} />
      ))}
      {drawing.cables.map((cable) => (
        <CableMark key={cable.name} cable={cable} />
      ))}
      {drawing.loads.map((load) => (
        <LoadMark key={load.partIds.join()} load={load} state={stateOf(load, picture)} />
      ))}
    </svg>
  );
}

function stateOf(load: Schemas["LoadSymbol"], picture: Picture | null): "on" | "dim" | "off" {
  if (load.partIds.some((id) => picture?.lit.has(id))) {
    return "on";
  }
  return load.partIds.some((id) => picture?.dim.has(id)) ? "dim" : "off";
}

/** A terminal: a ring, wider where several conductors meet. */
function Ring({ port }: { port: Schemas["Port"] }) {
  return (
    <rect
      x={port.x - port.width / 2}
      y={port.y - 7}
      width={port.width}
      height="14"
      rx="7"
      fill="var(--color-base-100)"
      stroke="var(--color-base-content)"
      strokeWidth="1.6"
    />
  );
}
