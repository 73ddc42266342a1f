import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/transport";
import { Insulation } from "../draw/Insulation";
import { beside, hanging, layOut, type SeenCable, type SeenDevice, SHEATH } from "./layout";
import { Sideways } from "../../ui/Sideways";

type Colour = Schemas["CoreEntry"]["colour"];
export type BoxCable = SeenCable<Colour>;
export type BoxDevice = SeenDevice;
export type BoxWire = { key: string; colour: Colour; letters: string; from: string; to: string };

type Props = {
  name: string;
  cables: BoxCable[];
  devices: BoxDevice[];
  wires?: BoxWire[];
  /** Cores that are picked up. */
  picked?: string[];
  onPick?: (core: string) => void;
  /** Puts what is picked up on a place. */
  onPut?: (end: string) => void;
};

const USUAL_WIDTH = 640;
const TAG = 30;

/** A box with its lid off: cores can be picked up, and put on places. */
export function OpenedBox({ name, cables, devices, wires = [], picked = [], onPick, onPut }: Props) {
  const frame = useRef<HTMLElement>(null);
  const [width, setWidth] = useState(USUAL_WIDTH);
  useEffect(() => {
    const element = frame.current;
    if (!element || typeof ResizeObserver === "undefined") {
      return;
    }
    const observer = new ResizeObserver(() => setWidth(element.clientWidth || USUAL_WIDTH));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const box = layOut(cables, devices, width);
  const stub = SHEATH + TAG + 8;
  const cores = box.cables.flatMap((cable) => cable.cores);

  return (
    <Sideways ref={frame}>
      {/* biome-ignore lint/a11y/useSemanticElements: a picture with parts to press has no element of its own */}
      <svg width={box.width} height={box.height} role="group" aria-label={name} className="block">
        <rect
          x="0.75"
          y="0.75"
          width={box.width - 1.5}
          height={box.height - 1.5}
          rx="8"
          fill="none"
          stroke="var(--color-secondary)"
          strokeWidth="1.5"
          strokeDasharray="7 5"
        />
        {box.devices.map(({ device, top, height, ends }) => (
          <g key={device.name}>
            <rect
              x={box.deviceX}
              y={top}
              width={box.deviceWidth - 8}
              height={height}
              rx="4"
              fill="var(--color-base-200)"
              stroke="var(--color-base-content)"
              strokeWidth="1.2"
            />
            <text x={box.deviceX + 12} y={top + 17} fontSize="13" fontWeight="600" fill="currentColor">
              {device.name}
              {device.detail && <tspan fontWeight="400">{`, ${device.detail}`}</tspan>}
            </text>
            {ends.map(({ end, y }) => (
              <Place
                key={end.key}
                x={box.deviceX}
                y={y}
                width={box.deviceWidth - 8}
                row={box.row}
                label={`${device.name}, ${end.label}`}
                text={end.label}
                onPut={onPut && (() => onPut(end.key))}
                armed={picked.length > 0}
              />
            ))}
          </g>
        ))}
        {wires.map((wire) => {
          const from = box.ends.get(wire.from);
          const to = box.ends.get(wire.to);
          return (
            from !== undefined &&
            to !== undefined && (
              <g key={wire.key} data-wire={wire.key}>
                <title>{`piece of wire, ${wire.letters}`}</title>
                <Insulation way={beside(box.deviceX, from, to)} colour={wire.colour} width={3.4} />
              </g>
            )
          );
        })}
        {cores.map(({ core, y }) => {
          const end = box.ends.get(core.at);
          const way = end === undefined ? `M${stub} ${y}h26` : hanging(stub, y, box.deviceX, end);
          const held = picked.includes(core.id);
          return (
            <g key={core.id} pointerEvents="none">
              {held && (
                <path d={way} fill="none" stroke="var(--glow)" strokeWidth="11" strokeLinecap="round" />
              )}
              <Insulation way={way} colour={core.colour} width={3.4} />
            </g>
          );
        })}
        {box.devices.flatMap(({ ends }) =>
          ends.map(({ end, y }) => (
            <circle
              key={end.key}
              cx={box.deviceX}
              cy={y}
              r="6"
              fill="var(--color-base-100)"
              stroke="var(--color-base-content)"
              strokeWidth="1.6"
              pointerEvents="none"
            />
          )),
        )}
        {box.cables.map(({ cable, top, height, cores: own }) => (
          <g key={cable.name}>
            <rect
              x="6"
              y={top + 4}
              width={SHEATH - 10}
              height={height - 8}
              rx="6"
              fill="var(--color-base-300)"
              stroke="var(--color-base-content)"
              strokeWidth="1.2"
            />
            <text
              x={SHEATH / 2}
              y={top + height / 2 + 4}
              fontSize="13"
              textAnchor="middle"
              fontFamily="var(--font-mono)"
              fill="currentColor"
            >
              {cable.name}
            </text>
            {cable.detail && (
              <text x={SHEATH + 4} y={top + 16} fontSize="13" fill="currentColor" opacity="0.8">
                {cable.detail}
              </text>
            )}
            {own.map(({ core, y }) => (
              <Stub
                key={core.id}
                core={core}
                y={y}
                row={box.row}
                right={box.deviceX}
                held={picked.includes(core.id)}
                onPick={onPick && (() => onPick(core.id))}
              />
            ))}
          </g>
        ))}
      </svg>
    </Sideways>
  );
}

const pressed = (act: () => void) => (event: KeyboardEvent) => {
  if (event.key === "Enter" || event.key === " ") {
    event.preventDefault();
    act();
  }
};

type StubProps = {
  core: BoxCable["cores"][number];
  y: number;
  row: number;
  right: number;
  held: boolean;
  onPick?: () => void;
};

/** The stub of a core with the letters of its colour, and what is known of it. */
function Stub({ core, y, row, right, held, onPick }: StubProps) {
  const note = core.note ?? "";
  const wide = note.length * 6.6 + 10;
  const button = onPick && {
    role: "button",
    tabIndex: 0,
    "aria-pressed": held,
    onClick: onPick,
    onKeyDown: pressed(onPick),
    style: { cursor: "pointer" },
  };
  return (
    <g
      {...button}
      aria-label={`${core.words}${note ? `, ${note}` : ""}`}
      data-core={core.id}
      data-sure={core.sure ?? false}
      className="focus-ring"
    >
      <rect
        x={SHEATH}
        y={y - row / 2 + 1}
        width={Math.max(60, right - SHEATH - 30)}
        height={row - 2}
        fill="transparent"
      />
      <rect
        x={SHEATH + 4}
        y={y - 10}
        width={TAG + 8}
        height="20"
        rx="3"
        fill={held ? "var(--color-primary)" : "var(--color-base-100)"}
        stroke="var(--edge)"
      />
      <text
        x={SHEATH + 4 + (TAG + 8) / 2}
        y={y + 4.5}
        fontSize="12.5"
        textAnchor="middle"
        fontFamily="var(--font-mono)"
        fill={held ? "var(--color-primary-content)" : "currentColor"}
      >
        {core.letters}
      </text>
      {note && (
        <>
          <rect
            x={SHEATH + TAG + 20}
            y={y - 10}
            width={wide}
            height="20"
            rx="3"
            fill="var(--color-base-100)"
            opacity="0.94"
          />
          <text
            x={SHEATH + TAG + 25}
            y={y + 4.5}
            fontSize="13"
            fontWeight={core.sure ? 700 : 400}
            fill="currentColor"
          >
            {note}
          </text>
        </>
      )}
    </g>
  );
}

type PlaceProps = {
  x: number;
  y: number;
  width: number;
  row: number;
  label: string;
  text: string;
  armed: boolean;
  onPut?: () => void;
};

/** A terminal or connector that an end can be put on. */
function Place({ x, y, width, row, label, text, armed, onPut }: PlaceProps) {
  const button = onPut && {
    role: "button",
    tabIndex: 0,
    onClick: onPut,
    onKeyDown: pressed(onPut),
    style: { cursor: "pointer" },
    "aria-label": `put on ${label}`,
  };
  return (
    <g {...button} className="focus-ring">
      <rect
        x={x + 1}
        y={y - row / 2 + 2}
        width={width - 2}
        height={row - 4}
        rx="3"
        fill={armed && onPut ? "var(--color-base-100)" : "transparent"}
        stroke={armed && onPut ? "var(--color-primary)" : "none"}
      />
      <text x={x + 14} y={y + 4.5} fontSize="13" fontFamily="var(--font-mono)" fill="currentColor">
        {text}
      </text>
    </g>
  );
}
