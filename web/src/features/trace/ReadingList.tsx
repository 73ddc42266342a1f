import { Undo2 } from "lucide-react";
import type { Schemas } from "../../api/transport";
import { moment } from "../../ui/figures";

type Props = {
  readings: Schemas["ReadingKept"][];
  stale: number;
  onTakeBack: (id: string) => void;
};

/** What was read, by whom and when; those that contradict each other are marked. */
export function ReadingList({ readings, stale, onTakeBack }: Props) {
  return (
    <section aria-label="Readings">
      <h3 className="mb-1 text-[15px]">Readings</h3>
      {readings.length === 0 && <p className="text-soft text-sm">None yet.</p>}
      <ol className="space-y-2 text-sm">
        {readings.map((reading) => (
          <li
            key={reading.id}
            data-conflicts={reading.conflicts}
            className={`flex gap-2 border-l-2 pl-2 ${reading.conflicts ? "border-error" : "border-line"}`}
          >
            <span className="min-w-0 flex-1">
              {reading.words}
              <span className="text-soft block text-[13px]">
                {reading.by}, {moment(reading.at)}
                {reading.weak && " · weak: orders, excludes nothing"}
                {reading.conflicts && <b className="text-error"> · contradicts</b>}
              </span>
            </span>
            <button
              type="button"
              className="btn btn-ghost btn-square btn-sm"
              aria-label={`take back: ${reading.words}`}
              onClick={() => onTakeBack(reading.id)}
            >
              <Undo2 size={16} aria-hidden />
            </button>
          </li>
        ))}
      </ol>
      {stale > 0 && (
        <p className="text-warning mt-2 text-sm">
          {stale} {stale === 1 ? "reading names a core" : "readings name cores"} that the survey no longer
          has.
        </p>
      )}
    </section>
  );
}
