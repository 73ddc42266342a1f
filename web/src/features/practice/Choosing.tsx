import { useState } from "react";
import { Choice } from "../../ui/Choice";
import { MarginNotes } from "../job/MarginNotes";
import type { Act, Wall } from "./PracticePage";

/** Scheme, module and box; what the clerk has against the last choice. */
export function Choosing({ wall, act }: { wall: Wall; act: Act }) {
  const boxes = wall.places.map((place) => ({ value: place.id, label: place.label }));
  const [box, setBox] = useState(boxes[0]?.value ?? "");
  const [scheme, setScheme] = useState(wall.schemes[0]?.scheme ?? "BEHIND_SWITCH_N");
  const [module, setModule] = useState("");
  return (
    <div className="max-w-[80ch] space-y-5">
      {boxes.length > 1 && <Choice label="From which box" value={box} options={boxes} onChange={setBox} />}
      <OneOf
        name="Scheme"
        value={scheme}
        options={wall.schemes.map((each) => ({ value: each.scheme, words: each.label }))}
        onChange={setScheme}
      />
      <OneOf
        name="Module"
        value={module}
        options={wall.modules.map((each) => ({ value: each.code, code: each.code, words: each.words }))}
        onChange={setModule}
      />
      <button
        type="button"
        className="btn btn-primary"
        disabled={!module}
        onClick={() => act({ kind: "CHOOSE", on: box, scheme, to: module })}
      >
        fit this
      </button>
      {wall.refusal.length > 0 && (
        <section aria-label="Why not" className="border-line border-t pt-4">
          <h2 className="mb-2 text-[16px]">Not here, because</h2>
          <MarginNotes findings={wall.refusal} empty="" />
        </section>
      )}
    </div>
  );
}

type OneOfProps<T extends string> = {
  name: string;
  value: T;
  options: { value: T; code?: string; words: string }[];
  onChange: (value: T) => void;
};

/** One of a few, all in sight. */
function OneOf<T extends string>({ name, value, options, onChange }: OneOfProps<T>) {
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">{name}</legend>
      <ul className="grid gap-x-6 gap-y-1 sm:grid-cols-2">
        {options.map((option) => (
          <li key={option.value}>
            <label className="flex min-h-[36px] items-center gap-2">
              <input
                type="radio"
                name={name}
                className="radio radio-sm"
                checked={value === option.value}
                onChange={() => onChange(option.value)}
              />
              <span>
                {option.code && <span className="font-mono">{option.code} </span>}
                <span className={option.code ? "text-soft text-sm" : ""}>{option.words}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}
