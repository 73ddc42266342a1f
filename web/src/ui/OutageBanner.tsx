import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useSyncExternalStore } from "react";
import { outage } from "../api/outage";

const RETRY_MS = 3_000;

/** Says over everything else that the clerk is away, tries again by itself, and goes when it is back. What was typed stays. */
export function OutageBanner() {
  const queries = useQueryClient();
  const words = useSyncExternalStore(outage.subscribe, outage.words);
  const tryNow = useCallback(async () => {
    const ready = await fetch(new Request("/actuator/health/readiness")).then(
      (answer) => answer.ok,
      () => false,
    );
    if (ready) {
      outage.tell(undefined);
      await queries.invalidateQueries();
    }
  }, [queries]);
  useEffect(() => {
    if (words === undefined) {
      return;
    }
    const timer = setInterval(tryNow, RETRY_MS);
    return () => clearInterval(timer);
  }, [words, tryNow]);
  if (words === undefined) {
    return null;
  }
  return (
    <div
      role="alert"
      className="no-print bg-error text-error-content fixed inset-x-0 top-0 z-50 flex flex-wrap items-center justify-center gap-x-4 gap-y-1 px-4 py-2"
    >
      <span>{words}</span>
      <button
        type="button"
        className="btn btn-sm border-current bg-transparent text-current"
        onClick={tryNow}
      >
        try now
      </button>
    </div>
  );
}
