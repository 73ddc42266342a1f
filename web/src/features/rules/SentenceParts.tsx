import type { Schemas } from "../../api/transport";

/** Adds parts to a sentence and takes them out. */
export function SentenceParts({
  name,
  parts,
  own,
  busy,
  onAdd,
  onTake,
}: {
  name: string;
  parts: Schemas["SlotChoice"][];
  own: Schemas["SentencePartView"][];
  busy: boolean;
  onAdd: (part: string) => void;
  onTake: (pointer: string) => void;
}) {
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      <select
        className="select select-sm w-60"
        aria-label={`add to ${name}`}
        value=""
        disabled={busy}
        onChange={(e) => onAdd(e.target.value)}
      >
        <option value="" disabled>
          and also …
        </option>
        {parts.map((part) => (
          <option key={part.code} value={part.code}>
            {part.label}
          </option>
        ))}
      </select>
      <select
        className="select select-sm w-60"
        aria-label={`take out of ${name}`}
        value=""
        disabled={busy}
        onChange={(e) => onTake(e.target.value)}
      >
        <option value="" disabled>
          without …
        </option>
        {own.map((part) => (
          <option key={part.pointer} value={part.pointer}>
            {part.words}
          </option>
        ))}
      </select>
    </div>
  );
}
