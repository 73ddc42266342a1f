import { Delete } from "lucide-react";

const KEYS = ["1", "2", "3", "back", "4", "5", "6", ".", "7", "8", "9", "0"];

/** Large keys for one cold hand. */
export function ReadingPad({ label, onKey }: { label: string; onKey: (key: string) => void }) {
  return (
    <fieldset aria-label={label} className="grid grid-cols-4 gap-2">
      {KEYS.map((key) => (
        <button
          key={key}
          type="button"
          aria-label={key === "back" ? "take the last digit away" : key}
          onClick={() => onKey(key)}
          className="btn font-mono border-edge bg-base-100 h-13 text-[20px]"
        >
          {key === "back" ? <Delete size={22} aria-hidden /> : key}
        </button>
      ))}
    </fieldset>
  );
}
