/** Marks differ in shape, so that colour is never the only carrier. */
export type MarkKind = "STOP" | "HOLD" | "NOTE" | "OK";

const WORDS: Record<MarkKind, string> = { STOP: "stop", HOLD: "hold", NOTE: "worth knowing", OK: "in order" };
const COLOUR: Record<MarkKind, string> = {
  STOP: "text-error",
  HOLD: "text-warning",
  NOTE: "text-primary",
  OK: "text-success",
};

export function Mark({ kind, size = 18 }: { kind: MarkKind; size?: number }) {
  return (
    <svg
      viewBox="0 0 20 20"
      width={size}
      height={size}
      role="img"
      aria-label={WORDS[kind]}
      className={`${COLOUR[kind]} shrink-0`}
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
    >
      {shape(kind)}
    </svg>
  );
}

function shape(kind: MarkKind) {
  switch (kind) {
    case "STOP":
      return (
        <>
          <path d="M6.5 2h7L18 6.5v7L13.5 18h-7L2 13.5v-7z" fill="currentColor" />
          <path d="M6 10h8" stroke="var(--color-base-100)" />
        </>
      );
    case "HOLD":
      return (
        <>
          <rect x="2.5" y="2.5" width="15" height="15" />
          <path d="M10 6v5M10 13.2v1.4" />
        </>
      );
    case "NOTE":
      return <path d="M10 3 18 17H2z" strokeLinejoin="round" />;
    case "OK":
      return (
        <>
          <circle cx="10" cy="10" r="7.6" />
          <path d="m6.5 10 2.5 2.8 4.5-5.3" />
        </>
      );
    default:
      return kind satisfies never;
  }
}
