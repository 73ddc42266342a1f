import type { ReactNode, Ref } from "react";

type Props = {
  children: ReactNode;
  /** Name of the region; without one it is no landmark. */
  label?: string;
  className?: string;
  ref?: Ref<HTMLElement>;
};

/** What may be wider than the screen scrolls by itself, and the keyboard reaches it, whatever width a font or a phone leaves. */
export function Sideways({ children, label, className = "", ref }: Props) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: the keyboard must reach what scrolls.
    <section ref={ref} aria-label={label} tabIndex={0} className={`overflow-x-auto ${className}`}>
      {children}
    </section>
  );
}
