import type { Schemas } from "../../api/transport";
import { Panel, Words } from "./ink";
import { LoadShape } from "./LoadMark";
import type { Picture } from "./states";

type Device = Schemas["Device"];

type Props = {
  device: Device;
  /** Position of a mechanism; without it nothing is energised and nothing can be operated. */
  position?: number;
  picture: Picture | null;
  onOperate?: (id: string) => void;
};

/** A mechanism, module, connector or cap with the names of its terminals. */
export function DeviceBody({ device, position, picture, onOperate }: Props) {
  switch (device.kind) {
    case "MECHANISM":
      return position !== undefined && onOperate ? (
        <Operable device={device} position={position} onOperate={onOperate} />
      ) : (
        <Mechanism device={device} position={position ?? 0} />
      );
    case "LOAD":
      return <HangingLoad device={device} picture={picture} />;
    case "MODULE":
      return <Module device={device} picture={picture} />;
    case "CONNECTOR":
    case "CAP":
      return <Joint device={device} />;
    default:
      return device.kind satisfies never;
  }
}

function Module({ device, picture }: { device: Device; picture: Picture | null }) {
  const { frame } = device;
  const asserted = [...(picture?.asserted ?? [])]
    .filter((input) => input.startsWith(`${device.partId}.`))
    .map((input) => input.split(".")[1]);
  return (
    <g>
      <Panel frame={frame} />
      {device.ports.map((port) => (
        <Words key={port.name} x={port.x} y={port.y + 21} anchor="middle" mono>
          {port.name}
        </Words>
      ))}
      <Words x={frame.x + 10} y={frame.y + 43} size={14.5} mono>
        {device.label}
      </Words>
      <Words x={frame.x + 10} y={frame.y + 61} soft>
        {device.detail}
      </Words>
      {picture && (
        <Words x={frame.x + 10} y={frame.y + 79} size={12.5} mono soft>
          {picture.powered.has(device.partId) ? "powered" : "no supply"}
        </Words>
      )}
      {asserted.length > 0 && (
        <Words x={frame.x + 10} y={frame.y + 96} size={12.5} mono soft>
          {asserted.length > 1 ? "inputs" : "input"} {asserted.join(", ")} asserted
        </Words>
      )}
    </g>
  );
}

/** A load with its terminals, where it hangs. */
function HangingLoad({ device, picture }: { device: Device; picture: Picture | null }) {
  const { frame } = device;
  const state = picture?.lit.has(device.partId) ? "on" : picture?.dim.has(device.partId) ? "dim" : "off";
  return (
    <g>
      <Panel frame={frame} />
      <LoadShape
        x={frame.x + 22}
        y={frame.y + 24}
        shape={device.shape}
        state={state}
        name={device.label}
        part={device.partId}
      />
      <Words x={frame.x + 44} y={frame.y + 20} size={14.5} bold>
        {device.label}
      </Words>
      <Words x={frame.x + 44} y={frame.y + 37} size={13} mono soft>
        {device.detail}
      </Words>
      {device.ports.map((port) => (
        <Words key={port.name} x={port.x} y={port.y - 12} size={13} anchor="middle" mono>
          {port.name}
        </Words>
      ))}
    </g>
  );
}

function Joint({ device }: { device: Device }) {
  const { frame } = device;
  return (
    <g>
      <Panel frame={{ ...frame, y: frame.y - 9, height: 18 }} radius={device.kind === "CAP" ? 2 : 9} />
      <Words x={frame.x + frame.width / 2} y={frame.y + 24} anchor="middle" soft>
        {device.label}
      </Words>
    </g>
  );
}

function Mechanism({ device, position, edge }: { device: Device; position: number; edge?: string }) {
  const middle = device.frame.x + device.frame.width / 2;
  return (
    <g>
      <Panel frame={device.frame} edge={edge} />
      <Words x={middle} y={device.frame.y + 18} size={14.5} anchor="middle" bold>
        {device.label}
      </Words>
      <Words x={middle} y={device.frame.y + 35} size={13} anchor="middle" mono soft>
        {device.detail} {position === 1 ? "▼ 1" : "▲ 0"}
      </Words>
      <Contacts device={device} position={position} />
      {device.ports.map((port) => (
        <Words key={port.name} x={port.x} y={port.y - 12} size={13} anchor="middle" mono>
          {port.name}
        </Words>
      ))}
    </g>
  );
}

/** How far an open contact's arm is lifted. */
const LIFT = 11;

/** The contacts of a mechanism as circuit drawings have them: closed arms rest on their terminal, open ones are lifted off. */
function Contacts({ device, position }: { device: Device; position: number }) {
  const [atRest = [], operated = []] = device.contacts;
  const now = position === 1 ? operated : atRest;
  const open = now.length === 0;
  const base = device.frame.y + 64;
  const ports = new Map(device.ports.map((port) => [port.name, port.x]));
  const arms = (open ? [...atRest, ...operated] : now).flatMap(({ from, to }) => {
    const start = ports.get(from);
    const end = ports.get(to);
    if (start === undefined || end === undefined) {
      return [];
    }
    const passes = device.ports.some((port) => (port.x - start) * (port.x - end) < 0);
    const tip = open ? base - LIFT : base - 1;
    return [`M${start} ${base}${passes ? `Q${(start + end) / 2} ${base - 2 * LIFT} ` : "L"}${end} ${tip}`];
  });
  return (
    <g stroke="var(--color-base-content)" strokeWidth="1.8" strokeLinecap="round" aria-hidden>
      <path d={device.ports.map((port) => `M${port.x} ${base + 4}v-4`).join("")} />
      {arms.map((arm) => (
        <path key={arm} d={arm} data-contact={open ? "open" : "closed"} />
      ))}
      {device.ports.map((port) => (
        <circle
          key={port.name}
          cx={port.x}
          cy={base}
          r="2.2"
          fill="var(--color-base-content)"
          stroke="none"
        />
      ))}
    </g>
  );
}

function Operable({
  device,
  position,
  onOperate,
}: {
  device: Device;
  position: number;
  onOperate: (id: string) => void;
}) {
  const press = () => onOperate(device.partId);
  return (
    // biome-ignore lint/a11y/useSemanticElements: an SVG group cannot be a button element
    <g
      role="button"
      tabIndex={0}
      aria-label={`operate ${device.label}, now at ${position}`}
      className="cursor-pointer"
      onClick={press}
      onKeyDown={(event) => {
        if (event.key === "Enter" || event.key === " ") {
          event.preventDefault();
          press();
        }
      }}
    >
      <Mechanism device={device} position={position} edge="var(--color-primary)" />
    </g>
  );
}
