import { TriangleAlert } from "lucide-react";
import type { Schemas } from "../../api/transport";

type Props = { next: Schemas["Next"]; busy: boolean; onAnswer: (value: boolean) => void };

/** The test that tells most: what to do, what each answer leaves, and the caution that belongs to it. */
export function NextTestCard({ next, busy, onAnswer }: Props) {
  return (
    <section aria-label="Next test" className="border-primary max-w-[80ch] rounded-[4px] border-[1.5px] p-4">
      <p className="text-soft text-[13px]">next test</p>
      <h2 className="mb-2 text-[18px]">{next.title}</h2>
      <ol className="list-decimal space-y-1 pl-5">
        {next.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <p className="text-warning mt-3 flex gap-2 text-sm">
        <TriangleAlert size={18} className="mt-0.5 shrink-0" aria-hidden />
        {next.caution}
      </p>
      <div className="mt-4 flex flex-wrap gap-3">
        <Answer
          words={next.ifTrue}
          shortcut="y"
          leaves={next.leavesIfTrue}
          busy={busy}
          onPress={() => onAnswer(true)}
        />
        <Answer
          words={next.ifFalse}
          shortcut="n"
          leaves={next.leavesIfFalse}
          busy={busy}
          onPress={() => onAnswer(false)}
        />
      </div>
      <p className="text-soft mt-2 text-[13px]">{next.why}</p>
    </section>
  );
}

type AnswerProps = { words: string; shortcut: string; leaves: number; busy: boolean; onPress: () => void };

function Answer({ words, shortcut, leaves, busy, onPress }: AnswerProps) {
  return (
    <button
      type="button"
      className="btn btn-outline h-auto min-h-[56px] min-w-[150px] flex-1 flex-col items-start py-2"
      disabled={busy}
      onClick={onPress}
    >
      <span className="flex w-full items-center justify-between gap-3">
        {words} <span className="kbd-key">{shortcut}</span>
      </span>
      <span className="text-soft text-[13px] font-normal">
        {leaves === 0 ? "would contradict a reading" : `leaves ${leaves}`}
      </span>
    </button>
  );
}
