import { Eye } from "lucide-react";
import { lookedAt, notLookedAt } from "./asUsual";
import type { Survey } from "./draft";

/** What a plan waits for: somebody has to look at what was filled in as usual. */
export function NotLookedAt({ survey, onChange }: { survey: Survey; onChange: (survey: Survey) => void }) {
  const { cables, measures } = notLookedAt(survey);
  if (cables.length === 0 && !measures) {
    return null;
  }
  const what = [
    ...(cables.length > 0 ? [`${cables.length === 1 ? "cable" : "cables"} ${cables.join(", ")}`] : []),
    ...(measures ? ["the measures of the box"] : []),
  ].join(" and ");
  return (
    <section
      aria-label="Not looked at"
      className="border-warning flex flex-wrap items-center gap-x-4 gap-y-2 rounded-[4px] border-[1.5px] p-3"
    >
      <Eye size={20} aria-hidden className="text-warning shrink-0" />
      <p className="min-w-60 flex-1">
        Filled in as usual, and nobody has looked: {what}. No plan that rests on it is issued. Dead and proved
        dead first; then look, and put right what differs.
      </p>
      <button type="button" className="btn btn-outline" onClick={() => onChange(lookedAt(survey))}>
        I looked at all of it: it is so
      </button>
    </section>
  );
}
