import type { Schemas } from "../../api/client";
import { type Positions, pictureOf } from "./states";
import { roundedPath, WIRE_INK } from "./wires";

type Wiring = Schemas["DrawnWiring"];
type Device = Schemas["Device"];

type Props = {
  wiring: Wiring;
  /** Positions to show; without them nothing is energised. */
  at?: Positions;
  onOperate?: (id: string) => void;
  /** Where only a look is wanted, in pixels. */
  maxHeight?: number;
};

/** A box from behind. With positions it is live: energised conductors glow, lamps light, inputs assert. */
export function WiringDrawing({ wiring, at, onOperate, maxHeight }: Props) {
  const { drawing, rows } = wiring;
  const picture = at ? pictureOf(rows, at) : null;
  return (
    <svg
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      className={`mx-auto block h-auto w-full ${maxHeight ? "" : "min-w-[640px]"}`}
      style={{ maxWidth: `${drawing.width * 1.25}px`, maxHeight: maxHeight && `${maxHeight}px` }}
      role={onOperate ? "group" : "img"}
      aria-label="wiring of the box, from behind"
      fontFamily="var(--font-sans)"
      fill="none"
    >
      <rect
        x={drawing.box.x}
        y={drawing.box.y}
        width={drawing.box.width}
        height={drawing.box.height}
        rx="8"
        stroke="var(--color-secondary)"
        strokeWidth="1.5"
        strokeDasharray="7 5"
      />
      {drawing.devices.map((device) => (
        <DeviceBody
          key={`${device.partId} ${device.label} ${device.frame.x}`}
          device={device}
          at={at}
          powered={picture?.powered.has(device.partId) ?? false}
          asserted={picture?.asserted ?? new Set()}
          onOperate={onOperate}
        />
      ))}
      {drawing.wires.map((wire) => (
        <g key={wire.key} data-wire={wire.key} data-live={picture?.live.has(wire.node) ?? false}>
          <title>{wire.words}</title>
          {picture?.live.has(wire.node) && (
            <path d={roundedPath(wire.points)} stroke="var(--glow)" strokeWidth="11" strokeLinecap="round" />
          )}
          <path d={roundedPath(wire.points)} stroke={WIRE_INK[wire.colour]} strokeWidth="3.6" />
          {wire.colour === "GREEN_YELLOW" && (
            <path
              d={roundedPath(wire.points)}
              stroke="var(--wire-yellow)"
              strokeWidth="3.6"
              strokeDasharray="7 7"
            />
          )}
        </g>
      ))}
      {drawing.devices.flatMap((device) =>
        device.ports.map((port) => (
          <rect
            key={`${port.node} ${port.name}`}
            x={port.x - port.width / 2}
            y={port.y - 7}
            width={port.width}
            height="14"
            rx="7"
            fill="var(--color-base-100)"
            stroke="var(--color-base-content)"
            strokeWidth="1.6"
          />
        )),
      )}
      {drawing.wires.map((wire) => (
        <Tag key={wire.key} x={wire.tag.x} y={wire.tag.y} letters={wire.letters} />
      ))}
      {drawing.cables.map((cable) => (
        <g key={cable.name}>
          <rect
            x={cable.frame.x}
            y={cable.frame.y}
            width={cable.frame.width}
            height={cable.frame.height}
            rx="4"
            fill="var(--color-base-200)"
            stroke="var(--color-base-content)"
            strokeWidth="1.4"
          />
          <text
            x={cable.frame.x + cable.frame.width / 2}
            y={cable.frame.y + cable.frame.height / 2 + 4}
            textAnchor="middle"
            fontSize="13.5"
            fontFamily="var(--font-mono)"
            fill="var(--color-base-content)"
          >
            {cable.name}
          </text>
          {cable.label && (
            <text
              x={cable.left ? cable.frame.x - 4 : cable.frame.x + cable.frame.width}
              y={cable.frame.y - 6}
              textAnchor={cable.left ? "start" : "end"}
              fontSize="14"
              fill="var(--color-secondary)"
            >
              {cable.label}
            </text>
          )}
        </g>
      ))}
      {drawing.loads.map((load) => (
        <Lamp
          key={load.partIds.join()}
          load={load}
          state={
            load.partIds.some((id) => picture?.lit.has(id))
              ? "on"
              : load.partIds.some((id) => picture?.dim.has(id))
                ? "dim"
                : "off"
          }
        />
      ))}
    </svg>
  );
}

function Tag({ x, y, letters }: { x: number; y: number; letters: string }) {
  const width = letters.length * 7.5 + 8;
  return (
    <g aria-hidden>
      <rect
        x={x - width / 2}
        y={y - 8}
        width={width}
        height="16"
        rx="3"
        fill="var(--color-base-100)"
        stroke="var(--color-base-content)"
        strokeWidth="1"
      />
      <text
        x={x}
        y={y + 4}
        textAnchor="middle"
        fontSize="12.5"
        fontFamily="var(--font-mono)"
        fill="var(--color-base-content)"
      >
        {letters}
      </text>
    </g>
  );
}

function Lamp({ load, state }: { load: Schemas["LoadSymbol"]; state: "on" | "dim" | "off" }) {
  const r = 15;
  const d = r * Math.SQRT1_2;
  return (
    <g data-load={load.partIds[0]} data-state={state}>
      <title>{`${load.label}: ${state}`}</title>
      <path d={`M${load.x - 22} ${load.y}h${22 - r}`} stroke="var(--color-base-content)" strokeWidth="2" />
      <circle
        cx={load.x}
        cy={load.y}
        r={r}
        fill={state === "on" ? "var(--lamp)" : state === "dim" ? "var(--glow)" : "var(--color-base-100)"}
        stroke="var(--color-base-content)"
        strokeWidth="1.8"
      />
      <path
        d={`M${load.x - d} ${load.y - d}L${load.x + d} ${load.y + d}M${load.x + d} ${load.y - d}L${load.x - d} ${load.y + d}`}
        stroke={state === "on" ? "oklch(0.27 0.05 255)" : "var(--color-base-content)"}
        strokeWidth="1.6"
      />
      <text x={load.x + r + 7} y={load.y - 1} fontSize="14" fill="var(--color-base-content)">
        {load.label}
      </text>
      <text
        x={load.x + r + 7}
        y={load.y + 15}
        fontSize="13"
        fontFamily="var(--font-mono)"
        fill="var(--color-secondary)"
      >
        {load.detail}
      </text>
    </g>
  );
}

type BodyProps = {
  device: Device;
  at?: Positions;
  powered: boolean;
  asserted: Set<string>;
  onOperate?: (id: string) => void;
};

function DeviceBody({ device, at, powered, asserted, onOperate }: BodyProps) {
  const { frame } = device;
  switch (device.kind) {
    case "MECHANISM":
      return (
        <Mechanism
          device={device}
          position={at?.[device.partId] ?? 0}
          onOperate={at ? onOperate : undefined}
        />
      );
    case "MODULE":
      return (
        <g>
          <rect
            x={frame.x}
            y={frame.y}
            width={frame.width}
            height={frame.height}
            rx="4"
            fill="var(--color-base-200)"
            stroke="var(--color-base-content)"
            strokeWidth="1.8"
          />
          {device.ports.map((port) => (
            <text
              key={port.name}
              x={port.x}
              y={port.y + 21}
              textAnchor="middle"
              fontSize="13.5"
              fontFamily="var(--font-mono)"
              fill="var(--color-base-content)"
            >
              {port.name}
            </text>
          ))}
          <text
            x={frame.x + 10}
            y={frame.y + 43}
            fontSize="14.5"
            fontFamily="var(--font-mono)"
            fill="var(--color-base-content)"
          >
            {device.label}
          </text>
          <text x={frame.x + 10} y={frame.y + 61} fontSize="13.5" fill="var(--color-secondary)">
            {device.detail}
          </text>
          {at && (
            <text
              x={frame.x + 10}
              y={frame.y + 79}
              fontSize="12.5"
              fontFamily="var(--font-mono)"
              fill="var(--color-secondary)"
            >
              {powered ? "powered" : "no supply"}
              {[...asserted]
                .filter((input) => input.startsWith(`${device.partId}.`))
                .map((input) => ` · input ${input.split(".")[1]} asserted`)
                .join("")}
            </text>
          )}
        </g>
      );
    case "CONNECTOR":
    case "CAP":
      return (
        <g>
          <rect
            x={frame.x}
            y={frame.y - 9}
            width={frame.width}
            height="18"
            rx={device.kind === "CAP" ? 2 : 9}
            fill="var(--color-base-200)"
            stroke="var(--color-base-content)"
            strokeWidth="1.4"
          />
          <text
            x={frame.x + frame.width / 2}
            y={frame.y + 24}
            textAnchor="middle"
            fontSize="13.5"
            fill="var(--color-secondary)"
          >
            {device.label}
          </text>
        </g>
      );
    default:
      return device.kind satisfies never;
  }
}

function Mechanism({
  device,
  position,
  onOperate,
}: {
  device: Device;
  position: number;
  onOperate?: (id: string) => void;
}) {
  const { frame } = device;
  const body = (
    <>
      <rect
        x={frame.x}
        y={frame.y}
        width={frame.width}
        height={frame.height}
        rx="4"
        fill={onOperate ? "var(--color-base-200)" : "var(--color-base-100)"}
        stroke={onOperate ? "var(--color-primary)" : "var(--color-base-content)"}
        strokeWidth="1.8"
      />
      <text
        x={frame.x + frame.width / 2}
        y={frame.y + 18}
        textAnchor="middle"
        fontSize="13"
        fontWeight="600"
        fill="var(--color-base-content)"
      >
        {device.label}
      </text>
      <text
        x={frame.x + frame.width / 2}
        y={frame.y + 35}
        textAnchor="middle"
        fontSize="13"
        fontFamily="var(--font-mono)"
        fill="var(--color-secondary)"
      >
        {device.detail} {position === 1 ? "▼ 1" : "▲ 0"}
      </text>
      {device.ports.map((port) => (
        <text
          key={port.name}
          x={port.x}
          y={port.y - 12}
          textAnchor="middle"
          fontSize="13"
          fontFamily="var(--font-mono)"
          fill="var(--color-base-content)"
        >
          {port.name}
        </text>
      ))}
    </>
  );
  if (!onOperate) {
    return <g>{body}</g>;
  }
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
      {body}
    </g>
  );
}
