import { useMutation } from "@tanstack/react-query";
import { useId, useMemo, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Failure } from "../../ui/Failure";
import { useKeys } from "../../ui/useKeys";
import type { Survey } from "./draft";

type Problem = Schemas["TextProblem"];
type Props = { job: string; survey: Survey; onChange: (survey: Survey) => void };

/** The whole box as lines of text: to type it at one go, or to copy one box and paste it as the next. */
export function AsText({ job, survey, onChange }: Props) {
  const [text, setText] = useState<string | null>(null);
  const [problems, setProblems] = useState<Problem[]>([]);
  const field = useId();
  const write = useMutation({
    mutationFn: () => api.writeBoxText(job, survey),
    onSuccess: (written) => {
      setText(written.text);
      setProblems([]);
    },
  });
  const read = useMutation({
    mutationFn: (typed: string) => api.readBoxText(job, typed),
    onSuccess: (answer) => {
      setProblems(answer.problems);
      if (answer.survey) {
        onChange(answer.survey);
        setText(null);
      }
    },
  });

  const open = text !== null;
  const keys = useMemo(
    (): Record<string, () => void> => (open ? {} : { t: () => write.mutate() }),
    [open, write.mutate],
  );
  useKeys(keys);

  if (text === null) {
    return (
      <div className="no-print">
        <button
          type="button"
          className="btn btn-sm btn-outline"
          disabled={write.isPending}
          onClick={() => write.mutate()}
        >
          as text{" "}
          <span className="kbd-key" aria-hidden>
            t
          </span>
        </button>
        {write.isError && <Failure error={write.error} />}
      </div>
    );
  }
  return (
    <section aria-label="Lines of the box" className="no-print">
      <label htmlFor={field} className="mb-1 block text-[16px] font-semibold">
        The box as text
      </label>
      <textarea
        id={field}
        // biome-ignore lint/a11y/noAutofocus: the person has just asked to type here
        autoFocus
        className="textarea w-full font-mono text-[14px] leading-relaxed"
        rows={Math.min(24, Math.max(8, text.split("\n").length + 1))}
        spellCheck={false}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Enter" && (event.ctrlKey || event.metaKey)) {
            read.mutate(text);
          }
        }}
      />
      {problems.length > 0 && (
        <ul className="mt-2 space-y-1 text-sm" aria-label="places that cannot be read">
          {problems.map((problem) => (
            <li key={`${problem.line} ${problem.column} ${problem.expected}`}>
              <b className="text-error font-mono">
                line {problem.line}, column {problem.column}:
              </b>{" "}
              found {problem.found}; expected {problem.expected}
            </li>
          ))}
        </ul>
      )}
      {read.isError && <Failure error={read.error} />}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-sm btn-primary"
          disabled={read.isPending}
          onClick={() => read.mutate(text)}
        >
          read the lines
        </button>
        <button type="button" className="btn btn-sm btn-outline" onClick={() => setText(null)}>
          leave it as it was
        </button>
        <span className="text-soft text-[13px]">
          <span className="kbd-key">Ctrl Enter</span> reads. Nothing is kept before you keep the survey.
        </span>
      </div>
    </section>
  );
}
