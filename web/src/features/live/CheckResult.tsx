import type { Schemas } from "../../api/transport";

/** How a check came out, with what happened. */
export function CheckResult({ result }: { result: Schemas["CheckResultView"] }) {
  return (
    <div className="border-line mt-2 border-t pt-2 text-[14px]">
      <p className={`font-semibold ${result.passed ? "text-success" : "text-error"}`}>
        {result.passed ? "It is so." : "It is not so."} {result.problem}
      </p>
      <ul>
        {result.thens.map((then) => (
          <li key={then.words} className="flex gap-2">
            <span aria-hidden>{then.met ? "✓" : "✗"}</span>
            <span>
              {then.words}
              <span className="text-soft">
                {then.afterMs === undefined ? ": never" : `: after ${then.afterMs} ms`}
              </span>
            </span>
          </li>
        ))}
      </ul>
      {result.story.length > 0 && (
        <details className="mt-1" open={!result.passed}>
          <summary className="text-soft cursor-pointer text-[13px]">what happened</summary>
          <ol className="text-[13.5px]">
            {result.story.map((step, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a step has no identity but its place.
              <li key={i} className="grid grid-cols-[5.5rem_1fr] gap-2">
                <span className="text-soft text-right font-mono text-[12px]">{step.atMs} ms</span>
                <span>{step.words}</span>
              </li>
            ))}
          </ol>
        </details>
      )}
    </div>
  );
}
