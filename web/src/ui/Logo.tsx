/** The clerk's sheet, in the theme's own ink. */
export function Logo({ size = 28 }: { size?: number }) {
  return (
    <svg viewBox="0 0 32 32" width={size} height={size} aria-hidden="true" fill="none" strokeWidth="2.5">
      <rect x="5" y="3" width="22" height="26" rx="4" stroke="currentColor" fill="var(--color-base-100)" />
      <path d="M10 11h12M10 16h9M10 21h12" stroke="var(--color-accent)" strokeLinecap="round" />
    </svg>
  );
}
