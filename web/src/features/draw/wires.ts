import type { Schemas } from "../../api/transport";

type Colour = Schemas["Wire"]["colour"];

/** Ink of each insulation; green-yellow is drawn as a striped pair. */
export const WIRE_INK: Record<Colour, string> = {
  BROWN: "var(--wire-brown)",
  BLACK: "var(--wire-black)",
  GREY: "var(--wire-grey)",
  BLUE: "var(--wire-blue)",
  GREEN_YELLOW: "var(--wire-green)",
  RED: "var(--wire-red)",
  YELLOW: "var(--wire-yellow)",
  WHITE: "var(--wire-white)",
  ORANGE: "var(--wire-orange)",
  VIOLET: "var(--wire-violet)",
  GREEN: "var(--wire-green)",
  BARE: "var(--wire-bare)",
};

/** A way through points with its corners rounded a little. */
export function roundedPath(points: { x: number; y: number }[], radius = 6): string {
  const parts: string[] = [];
  points.forEach((point, index) => {
    const before = points[index - 1];
    const after = points[index + 1];
    if (!before) {
      parts.push(`M${point.x} ${point.y}`);
    } else if (!after) {
      parts.push(`L${point.x} ${point.y}`);
    } else {
      const r = Math.min(radius, distance(before, point) / 2, distance(point, after) / 2);
      const start = towards(point, before, r);
      const end = towards(point, after, r);
      parts.push(`L${start.x} ${start.y}Q${point.x} ${point.y} ${end.x} ${end.y}`);
    }
  });
  return parts.join("");
}

const distance = (a: { x: number; y: number }, b: { x: number; y: number }) =>
  Math.hypot(a.x - b.x, a.y - b.y);

function towards(from: { x: number; y: number }, to: { x: number; y: number }, length: number) {
  const whole = distance(from, to) || 1;
  return { x: from.x + ((to.x - from.x) * length) / whole, y: from.y + ((to.y - from.y) * length) / whole };
}
