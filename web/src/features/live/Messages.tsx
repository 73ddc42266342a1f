import type { LiveEvent, LiveNow } from "./useLive";

const MARKS: Record<LiveEvent["kind"], string> = {
  HAND: "hand",
  OUTPUT: "is",
  MESSAGE: "msg",
  LOST: "lost",
  RULE: "rule",
  CONDITION: "part",
};

/** What happened, newest first, with how long each message was on its way. */
export function Messages({ events, now }: { events: LiveEvent[]; now: LiveNow }) {
  if (events.length === 0) {
    return <p className="text-soft text-[14px]">Nothing happened yet. Flip a switch in the plan.</p>;
  }
  return (
    <ol className="max-h-72 overflow-y-auto text-[13.5px]" aria-label="messages, newest first">
      {events.map((event) => (
        <li
          key={event.id}
          className={`border-line grid grid-cols-[4.5rem_3rem_1fr_4.5rem] gap-2 border-b py-0.5 ${
            event.kind === "LOST" ? "text-error" : ""
          }`}
        >
          <span className="text-soft font-mono text-[12px]">{ago(now.atMs - event.atMs)}</span>
          <span className={event.kind === "LOST" ? "font-semibold" : "text-soft"}>{MARKS[event.kind]}</span>
          <span className="min-w-0 break-words">{event.words}</span>
          <span className="text-right font-mono text-[12px]">
            {event.kind === "MESSAGE" && `${event.delayMs} ms`}
          </span>
        </li>
      ))}
    </ol>
  );
}

function ago(ms: number) {
  const seconds = Math.max(0, ms) / 1000;
  return seconds < 60 ? `${seconds.toFixed(1)} s` : `${Math.floor(seconds / 60)} min`;
}
