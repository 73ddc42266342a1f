import type { ReactNode } from "react";

type WordsProps = {
  x: number;
  y: number;
  size?: number;
  mono?: boolean;
  soft?: boolean;
  bold?: boolean;
  anchor?: "start" | "middle" | "end";
  children: ReactNode;
};

/** Text in a drawing, in the theme's ink. */
export function Words({ x, y, size = 13.5, mono, soft, bold, anchor = "start", children }: WordsProps) {
  return (
    <text
      x={x}
      y={y}
      fontSize={size}
      fontFamily={mono ? "var(--font-mono)" : "var(--font-sans)"}
      fontWeight={bold ? 600 : undefined}
      textAnchor={anchor}
      fill={soft ? "var(--color-secondary)" : "var(--color-base-content)"}
    >
      {children}
    </text>
  );
}

type PanelProps = {
  frame: { x: number; y: number; width: number; height: number };
  radius?: number;
  fill?: string;
  edge?: string;
};

/** A body in a drawing. */
export function Panel({
  frame,
  radius = 4,
  fill = "var(--color-base-200)",
  edge = "var(--color-base-content)",
}: PanelProps) {
  return (
    <rect
      x={frame.x}
      y={frame.y}
      width={frame.width}
      height={frame.height}
      rx={radius}
      fill={fill}
      stroke={edge}
      strokeWidth="1.6"
    />
  );
}
