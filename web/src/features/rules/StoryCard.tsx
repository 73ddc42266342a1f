import type { Schemas } from "../../api/transport";

/** A course of events that goes wrong, told step by step; one without end is drawn as a loop. */
export function StoryCard({
  found,
  busy,
  onFix,
}: {
  found: Schemas["RuleFindingView"];
  busy: boolean;
  onFix: (fix: Schemas["FixView"]) => void;
}) {
  const endless = found.story.at(-1)?.words.includes("without end");
  return (
    <article className="border-error rounded-[4px] border-[1.5px] p-3" aria-label={found.finding.title}>
      <h2 className="text-error text-[15.5px]">{found.finding.title}</h2>
      <div className="relative mt-1 pl-5">
        {endless && (
          <svg
            className="text-error absolute top-3 left-0 h-[calc(100%-1.5rem)] w-4"
            viewBox="0 0 16 100"
            preserveAspectRatio="none"
            aria-hidden
          >
            <path
              d="M15 97H6q-5 0-5-5V8q0-5 5-5h9m-4-3 4 3-4 3"
              fill="none"
              stroke="currentColor"
              strokeWidth="1.6"
              vectorEffect="non-scaling-stroke"
            />
          </svg>
        )}
        <ol className="text-[14px]">
          {found.story.map((step, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: steps are told in order and may be alike.
            <li key={i} className="flex gap-2">
              <span className="font-mono text-soft w-16 shrink-0 text-right">{time(step.atMs)}</span>
              <span>{step.words}</span>
            </li>
          ))}
        </ol>
      </div>
      <p className="mt-2 text-[14px]">{found.finding.reason}</p>
      <div className="mt-2 flex flex-wrap gap-1.5">
        {found.fixes.map((fix) => (
          <button
            key={fix.kind}
            type="button"
            className="btn btn-sm btn-outline btn-primary"
            disabled={busy}
            onClick={() => onFix(fix)}
          >
            {fix.words}
          </button>
        ))}
      </div>
    </article>
  );
}

function time(ms: number) {
  return ms >= 120_000 ? `${Math.round(ms / 60_000)} min` : `${(ms / 1000).toFixed(1)} s`;
}
