/** Why the clerk cannot be worked with at the moment; nothing while it can. */
let words: string | undefined;
const listeners = new Set<() => void>();

export const outage = {
  subscribe(listener: () => void) {
    listeners.add(listener);
    return () => {
      listeners.delete(listener);
    };
  },
  words: () => words,
  tell(now: string | undefined) {
    if (now !== words) {
      words = now;
      for (const listener of listeners) {
        listener();
      }
    }
  },
};
