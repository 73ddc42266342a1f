import { useLayoutEffect } from "react";

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Single keys for the page; off inside fields and when a modifier is held. */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>) {
  // Before the paint: whoever sees the sheet may press at once, and no key is lost.
  useLayoutEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) {
        return;
      }
      const action = keys[event.key];
      if (action) {
        event.preventDefault();
        action(event);
      }
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [keys]);
}
