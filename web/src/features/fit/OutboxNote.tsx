import type { Schemas } from "../../api/transport";
import type { Letter } from "./outbox";

/** What waits for the network, and what the clerk did not take. */
export function OutboxNote({
  outbox,
  steps,
}: {
  outbox: { letters: Letter[]; away: boolean; forget: (key: string) => void };
  steps: Schemas["StepView"][];
}) {
  const waiting = outbox.letters.filter((letter) => !letter.refused);
  const refused = outbox.letters.filter((letter) => letter.refused);
  const titleOf = (letter: Letter) =>
    steps.find((step) => step.id === letter.deed.stepId)?.title ?? letter.deed.stepId;
  return (
    <>
      {outbox.away && (
        <p role="status" className="border-warning bg-warning/15 border-l-4 px-3 py-2 text-[16px]">
          No connection. {waiting.length} {waiting.length === 1 ? "entry waits" : "entries wait"} on this
          device and will be sent. No gate opens meanwhile.
        </p>
      )}
      {refused.map((letter) => (
        <div key={letter.key} role="alert" className="border-error border-l-4 px-3 py-2 text-[16px]">
          <b>{titleOf(letter)} was not taken.</b> {letter.refused}
          <button
            type="button"
            className="btn btn-xs btn-outline ml-2"
            onClick={() => outbox.forget(letter.key)}
          >
            I have seen it
          </button>
        </div>
      ))}
    </>
  );
}
