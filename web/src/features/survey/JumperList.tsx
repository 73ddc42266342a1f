import { Trash2 } from "lucide-react";
import { Choice } from "../../ui/Choice";
import { COLOURS } from "./CableCards";
import { replaceAt, type Survey, without } from "./draft";
import { EndChoice } from "./EndChoice";

/** Pieces of wire within the box. */
export function JumperList({ survey, onChange }: { survey: Survey; onChange: (survey: Survey) => void }) {
  const add = () => {
    const taken = new Set(survey.jumpers.map((jumper) => jumper.key));
    let number = 1;
    while (taken.has(`jumper-${number}`)) {
      number += 1;
    }
    const from = { at: "MECHANISM", gang: 1, terminal: "COM" } as const;
    const to = {
      at: "MECHANISM",
      gang: Math.min(2, survey.gangs.length),
      terminal: survey.gangs.length > 1 ? "COM" : "L1",
    } as const;
    onChange({
      ...survey,
      jumpers: [...survey.jumpers, { key: `jumper-${number}`, colour: "BROWN", from, to }],
    });
  };
  return (
    <section aria-label="Jumpers">
      <h2 className="mb-2 text-[16px]">Jumpers in the box</h2>
      <ul className="space-y-1.5">
        {survey.jumpers.map((jumper, index) => {
          const set = (change: Partial<typeof jumper>) =>
            onChange({ ...survey, jumpers: replaceAt(survey.jumpers, index, { ...jumper, ...change }) });
          return (
            <li key={jumper.key} className="grid grid-cols-2 gap-2 sm:grid-cols-[1fr_1.3fr_1.3fr_auto]">
              <Choice
                hideLabel
                label={`colour of ${jumper.key}`}
                value={jumper.colour}
                options={COLOURS}
                onChange={(colour) => set({ colour })}
              />
              <EndChoice
                placesOnly
                label={`start of ${jumper.key}`}
                survey={survey}
                value={jumper.from}
                onChange={(from) => set({ from })}
              />
              <EndChoice
                placesOnly
                label={`end of ${jumper.key}`}
                survey={survey}
                value={jumper.to}
                onChange={(to) => set({ to })}
              />
              <button
                type="button"
                className="btn btn-square btn-ghost"
                aria-label={`take ${jumper.key} away`}
                onClick={() => onChange({ ...survey, jumpers: without(survey.jumpers, index) })}
              >
                <Trash2 size={16} aria-hidden />
              </button>
            </li>
          );
        })}
      </ul>
      <button type="button" className="btn btn-xs btn-outline mt-2" onClick={add}>
        add a jumper
      </button>
    </section>
  );
}
