import { useSyncExternalStore } from "react";
import { asking } from "../api/asking";
import { Overlay } from "./Overlay";

/** Asks before a change opens work that was issued. */
export function AskFirst() {
  const question = useSyncExternalStore(asking.subscribe, asking.now);
  if (!question) {
    return null;
  }
  return (
    <Overlay title="This opens issued work again" onClose={() => question.answer(false)}>
      <p className="max-w-prose">{question.words}</p>
      <p className="text-soft mt-2 text-sm">Whoever has the papers of that plan in hand has to be told.</p>
      <div className="mt-4 flex gap-2">
        <button type="button" className="btn btn-primary" onClick={() => question.answer(true)}>
          change it, and open the plan again
        </button>
        <button type="button" className="btn btn-outline" onClick={() => question.answer(false)}>
          leave it as it was issued
        </button>
      </div>
    </Overlay>
  );
}
