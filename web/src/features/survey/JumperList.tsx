import { Trash2 } from "lucide-react";
import type { Schemas } from "../../api/transport";
import { Choice } from "../../ui/Choice";
import { COLOURS } from "./CableCards";
import { replaceAt, type Survey, without } from "./draft";
import { EndChoice } from "./EndChoice";

/** Pieces of wire within the box. */
type Props = { job: Schemas["JobView"]; survey: Survey; onChange: (survey: Survey) => void };

export function JumperList({ job, survey, onChange }: Props) {
  const add = () => {
    const taken = new Set(survey.jumpers.map((jumper) => jumper.key));
    let number = 1;
    while (taken.has(`jumper-${number}`)) {
      number += 1;
    }
    const terminals = survey.gangs.flatMap((gang) =>
      (job.terminals[gang.mechanism] ?? []).map((terminal, place) => ({
        gang: gang.number,
        terminal,
        place,
      })),
    );
    const [first, second] = terminals;
    const start = first ?? { gang: 1, terminal: "" };
    const nextGang = terminals.find(({ gang, place }) => gang !== start.gang && place === 0);
    const end = nextGang ?? second ?? start;
    const from = { at: "MECHANISM", gang: start.gang, terminal: start.terminal } as const;
    const to = { at: "MECHANISM", gang: end.gang, terminal: end.terminal } as const;
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
                job={job}
                placesOnly
                label={`start of ${jumper.key}`}
                survey={survey}
                value={jumper.from}
                onChange={(from) => set({ from })}
              />
              <EndChoice
                job={job}
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
