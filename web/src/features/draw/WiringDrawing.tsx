import type { Schemas } from "../../api/transport";
import { MarkGroup } from "./MarkGroup";
import { type Positions, pictureOf } from "./states";

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

/** A box from behind. With positions it is live: energised conductors glow, lamps light, inputs assert. */
export function WiringDrawing({
  wiring,
  at,
  onOperate,
  maxHeight,
  name = "wiring of the box, from behind",
  only,
}: Props) {
  const { artwork, rows } = wiring;
  const picture = at ? pictureOf(rows, at) : null;
  const { top, height } = artwork.excerpts.find(({ label }) => label === only) ?? {
    top: 0,
    height: artwork.height,
  };
  return (
    <svg
      viewBox={`0 ${top} ${artwork.width} ${height}`}
      className="mx-auto block h-auto w-full"
      style={{
        maxWidth: `${artwork.width * LARGEST}px`,
        minWidth: maxHeight ? undefined : `${artwork.width * SMALLEST}px`,
        maxHeight: maxHeight && `${maxHeight}px`,
      }}
      role={onOperate ? "group" : "img"}
      aria-label={name}
      fill="none"
    >
      {artwork.groups.map((group, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: groups have no names, and their order is what they are
        <MarkGroup key={index} group={group} at={at} picture={picture} onOperate={onOperate} />
      ))}
    </svg>
  );
}
