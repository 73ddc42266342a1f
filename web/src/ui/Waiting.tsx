import { useEffect, useState } from "react";

/** Says what is awaited, once it takes longer than a blink. */
export function Waiting({ what }: { what: string }) {
  const [long, setLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLong(true), 250);
    return () => clearTimeout(timer);
  }, []);
  return (
    <div role="status" className="text-soft p-6">
      {long ? (
        <span className="flex items-center gap-2">
          <span className="loading loading-dots loading-sm" aria-hidden="true" /> Fetching {what}
        </span>
      ) : null}
    </div>
  );
}
