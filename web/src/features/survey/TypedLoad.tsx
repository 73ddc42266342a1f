import { useQuery } from "@tanstack/react-query";
import { useEffect, useId, useState } from "react";
import { loadsOptions, loadWordsOptions } from "./api";
import { withUnit } from "../../ui/figures";
import { TextField } from "../../ui/TextField";

/** Loads as text, with what the clerk reads in it. */
export function TypedLoad({
  label,
  typed,
  onChange,
}: {
  label: string;
  typed: string;
  onChange: (typed: string) => void;
}) {
  const [settled, setSettled] = useState(typed);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(typed), 250);
    return () => clearTimeout(timer);
  }, [typed]);
  const reading = useQuery({
    ...loadsOptions(settled.trim()),
    enabled: settled.trim().length > 0,
  });
  const words = useQuery(loadWordsOptions);
  const kinds = useId();
  // What is offered goes on where the words of what is typed begin.
  const before = /^[\d\sx×*.,]*/i.exec(typed)?.[0] ?? "";
  const answer = settled.trim() ? reading.data : undefined;
  return (
    <div>
      <TextField
        label={label}
        value={typed}
        onChange={onChange}
        placeholder="3x2 LED 7"
        maxLength={200}
        list={kinds}
        autoComplete="off"
      />
      <datalist id={kinds}>
        {words.data?.map(({ word, kind }) => (
          <option key={word} value={`${before}${word} `}>
            {kind}
          </option>
        ))}
      </datalist>
      <span className="block min-h-5 text-[13px]" aria-live="polite">
        {answer?.totalWatts && (
          <span className="text-soft">
            {answer.words} = <span className="font-mono">{withUnit(answer.totalWatts, "W")}</span>
          </span>
        )}
        {answer?.taken.map((sentence) => (
          <span key={sentence} className="text-warning block">
            {sentence}
          </span>
        ))}
        {answer?.problem && <span className="text-error">Expected {answer.problem.expected}.</span>}
      </span>
    </div>
  );
}
