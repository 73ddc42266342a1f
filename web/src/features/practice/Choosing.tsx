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
      <fieldset>
        <legend className="mb-1 font-semibold">Scheme</legend>
        <ul className="grid gap-x-6 gap-y-1 sm:grid-cols-2">
          {wall.schemes.map((each) => (
            <li key={each.scheme}>
              <label className="flex min-h-[36px] items-center gap-2">
                <input
                  type="radio"
                  name="scheme"
                  className="radio radio-sm"
                  checked={scheme === each.scheme}
                  onChange={() => setScheme(each.scheme)}
                />
                {each.label}
              </label>
            </li>
          ))}
        </ul>
      </fieldset>
      <fieldset>
        <legend className="mb-1 font-semibold">Module</legend>
        <ul className="grid gap-x-6 gap-y-1 sm:grid-cols-2">
          {wall.modules.map((each) => (
            <li key={each.code}>
              <label className="flex min-h-[36px] items-center gap-2">
                <input
                  type="radio"
                  name="module"
                  className="radio radio-sm"
                  checked={module === each.code}
                  onChange={() => setModule(each.code)}
                />
                <span>
                  <span className="font-mono">{each.code}</span>{" "}
                  <span className="text-soft text-sm">{each.words}</span>
                </span>
              </label>
            </li>
          ))}
        </ul>
      </fieldset>
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
