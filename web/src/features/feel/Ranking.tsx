import type { Schemas } from "../../api/transport";
import type { Behaviour } from "./sequence";

/** Behaviours, best first for this household; one is chosen, up to three are compared. */
export function Ranking({
  input,
  chosen,
  beside,
  onChoose,
  onBeside,
}: {
  input: Schemas["FeelInputView"];
  chosen: Behaviour;
  beside: Behaviour[];
  onChoose: (behaviour: Behaviour) => void;
  onBeside: (behaviour: Behaviour) => void;
}) {
  const can = input.advice.filter((a) => !a.refusal);
  const cannot = input.advice.filter((a) => a.refusal);
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">
        {can[0] && can[0].costs.length > 1
          ? "Behaviours, the fairest for both first: whoever pays most pays least"
          : "Behaviours, the best for them first"}
      </legend>
      <ul className="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
        {can.map((advice, i) => (
          <li
            key={advice.behaviour}
            className={`rounded-[4px] border-[1.5px] px-3 py-2 ${advice.behaviour === chosen ? "border-base-content" : "border-line"}`}
          >
            <label className="flex cursor-pointer items-center gap-2 font-semibold">
              <input
                type="radio"
                name={`behaviour ${input.key}`}
                className="radio radio-sm radio-primary"
                checked={advice.behaviour === chosen}
                onChange={() => onChoose(advice.behaviour)}
              />
              <span className="min-w-0 flex-1">{advice.label}</span>
              {i === 0 && (
                <span className="text-success text-[13px]">
                  {advice.costs.length > 1 ? "fairest" : "best"}
                </span>
              )}
            </label>
            <div className="mt-1 flex items-center justify-between gap-2 text-[13.5px]">
              <span className="text-soft">
                {advice.costs.length > 1 ? "costs the two " : "costs them "}
                <span className="font-mono">{advice.costs.join(" and ")}</span>
              </span>
              <label className="flex cursor-pointer items-center gap-1.5">
                <input
                  type="checkbox"
                  className="checkbox checkbox-xs"
                  checked={beside.includes(advice.behaviour)}
                  onChange={() => onBeside(advice.behaviour)}
                  aria-label={`compare ${advice.label}`}
                />
                compare
              </label>
            </div>
          </li>
        ))}
      </ul>
      {cannot.length > 0 && (
        <details className="mt-2 text-[14px]">
          <summary className="text-soft cursor-pointer">Not to be had here: {cannot.length}</summary>
          <ul className="mt-1 space-y-0.5">
            {cannot.map((advice) => (
              <li key={advice.behaviour}>
                <b>{advice.label}</b>: {advice.refusal}.
              </li>
            ))}
          </ul>
        </details>
      )}
    </fieldset>
  );
}
