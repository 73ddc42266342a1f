import type { Schemas } from "../../api/transport";
import { DeviceBody } from "./DeviceBody";
import { LoadMark } from "./LoadMark";
import { type Picture, type Positions, pictureOf } from "./states";
import { Words } from "./ink";
import { CableMark, LetterTag, TrunkMark, WireMark } from "./WireMark";

type Props = {
  wiring: Schemas["DrawnWiring"];
  /** Positions to show; without them nothing is energised. */
  at?: Positions;
  onOperate?: (id: string) => void;
  /** Where only a look is wanted, in pixels. */
  maxHeight?: number;
  /** What the drawing says of itself. */
  name?: string;
  /** Label of the one box to show. */
  only?: string;
};

/** Largest enlargement of a drawing on a wide screen. */
const LARGEST = 1.25;
/** Smallest size at which its letters can still be read; narrower places scroll. */
const SMALLEST = 0.75;

/** Room above and below a box that is shown alone. */
const BESIDE = 12;

/** A box from behind. With positions it is live: energised conductors glow, lamps light, inputs assert. */
export function WiringDrawing({
  wiring,
  at,
  onOperate,
  maxHeight,
  name = "wiring of the box, from behind",
  only,
}: Props) {
  const { drawing, rows } = wiring;
  const picture = at ? pictureOf(rows, at) : null;
  const box = drawing.boxes.find((candidate) => candidate.label === only)?.frame;
  const top = box ? box.y - BESIDE : 0;
  const height = box ? box.height + 2 * BESIDE : drawing.height;
  return (
    <svg
      viewBox={`0 ${top} ${drawing.width} ${height}`}
      className="mx-auto block h-auto w-full"
      style={{
        maxWidth: `${drawing.width * LARGEST}px`,
        minWidth: maxHeight ? undefined : `${drawing.width * SMALLEST}px`,
        maxHeight: maxHeight && `${maxHeight}px`,
      }}
      role={onOperate ? "group" : "img"}
      aria-label={name}
      fill="none"
    >
      {drawing.trunks.map((trunk) => (
        <TrunkMark key={trunk.name} trunk={trunk} />
      ))}
      {drawing.boxes.map(({ label, frame }) => (
        <g key={`${label} ${frame.x} ${frame.y}`}>
          <rect {...frame} rx="8" stroke="var(--color-secondary)" strokeWidth="1.5" strokeDasharray="7 5" />
          {label && (
            <Words x={frame.x + 12} y={frame.y + frame.height - 10} size={15} bold>
              {label}
            </Words>
          )}
        </g>
      ))}
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
        <CableMark key={`${cable.name} ${cable.frame.x} ${cable.frame.y}`} cable={cable} />
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
