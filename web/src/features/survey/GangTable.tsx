import { Trash2 } from "lucide-react";
import type { Schemas } from "../../api/transport";
import { Choice } from "../../ui/Choice";
import { LengthField } from "../../ui/LengthField";
import { TextField } from "../../ui/TextField";
import { TypedLoad } from "./TypedLoad";
import { type Gang, HANGS_HERE, newGang, replaceAt, type Survey, withoutLoads } from "./draft";

const MECHANISMS: { value: Gang["mechanism"]; label: string }[] = [
  { value: "ONE_WAY", label: "one-way" },
  { value: "PUSH_MAKE", label: "push-to-make" },
  { value: "PUSH_BREAK", label: "push-to-break" },
  { value: "TWO_WAY", label: "two-way (change-over)" },
  { value: "INTERMEDIATE", label: "intermediate" },
  { value: "DOUBLE_POLE", label: "double-pole" },
  { value: "PULL_CORD", label: "pull-cord" },
  { value: "FAN_SPEED", label: "fan speed" },
  { value: "DIMMER", label: "dimmer" },
  { value: "FIXED_ON", label: "joined, no switch" },
];

type Props = { job: Schemas["JobView"]; survey: Survey; onChange: (survey: Survey) => void };

/** The gangs of the plate with the loads they switch. */
export function GangTable({ job, survey, onChange }: Props) {
  const last = survey.gangs.at(-1);
  const add = () =>
    onChange({ ...survey, gangs: [...survey.gangs, newGang(survey.gangs.length + 1, last?.circuit ?? "")] });
  const removeLast = () =>
    onChange({
      ...withoutLoads(
        survey,
        survey.loads.filter((load) => load.gang >= survey.gangs.length).map((load) => load.number),
      ),
      gangs: survey.gangs.slice(0, -1),
    });
  return (
    <section aria-label="Switches and loads">
      <h2 className="mb-2 text-[16px]">Switches and what they switch</h2>
      <ol className="space-y-3">
        {survey.gangs.map((gang, index) => (
          <li key={gang.number} className="border-line rounded-[4px] border p-3">
            <GangRow job={job} survey={survey} gang={gang} index={index} onChange={onChange} />
          </li>
        ))}
      </ol>
      {survey.loads.some((load) => load.gang === HANGS_HERE) && (
        <div className="border-line mt-3 rounded-[4px] border p-3">
          <h3 className="text-[15px]">Hangs in this box</h3>
          <LoadRows survey={survey} gang={HANGS_HERE} onChange={onChange} />
        </div>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-sm btn-outline"
          onClick={add}
          disabled={survey.gangs.length >= 6}
        >
          add a gang
        </button>
        <button type="button" className="btn btn-sm btn-outline" onClick={() => hang(survey, onChange)}>
          add a load that hangs here
        </button>
        {survey.gangs.length > 0 && (
          <button type="button" className="btn btn-sm btn-outline" onClick={removeLast}>
            take the last gang away
          </button>
        )}
      </div>
    </section>
  );
}

function GangRow({ job, survey, gang, index, onChange }: Props & { gang: Gang; index: number }) {
  const set = (change: Partial<Gang>) =>
    onChange({ ...survey, gangs: replaceAt(survey.gangs, index, { ...gang, ...change }) });
  const loads = survey.loads
    .map((load, at) => ({ load, at }))
    .filter(({ load }) => load.gang === gang.number);
  const addLoad = () => {
    const number = Math.max(0, ...survey.loads.map((l) => l.number)) + 1;
    const load = {
      number,
      name: `${gang.name} ${loads.length > 0 ? loads.length + 1 : ""}`.trim(),
      typed: "",
      gang: gang.number,
      continuous: false,
    };
    onChange({ ...survey, loads: [...survey.loads, load] });
  };
  const who = `gang ${gang.number}`;
  return (
    <>
      <div className="grid grid-cols-2 items-end gap-3 sm:grid-cols-[2fr_1.4fr_0.8fr_1fr]">
        <TextField
          label={`Gang ${gang.number}, name`}
          value={gang.name}
          onChange={(name) => set({ name })}
          maxLength={120}
        />
        <Choice
          label={`Mechanism, ${who}`}
          value={gang.mechanism}
          onChange={(mechanism) => set({ mechanism })}
          options={MECHANISMS}
        />
        <LengthField
          label="Its depth"
          name={`Depth of the mechanism, ${who}`}
          mm={gang.depthMm}
          least={1}
          job={job}
          onChange={(depthMm) => set({ depthMm })}
        />
        <Choice
          label={`Circuit, ${who}`}
          value={gang.circuit}
          onChange={(circuit) => set({ circuit })}
          options={job.circuits.map((c) => ({
            value: c.id,
            label: `${c.label} · ${c.ratingAmps} A · ${c.phase}`,
          }))}
        />
      </div>
      <LoadRows survey={survey} gang={gang.number} onChange={onChange} />
      <button type="button" className="btn btn-xs btn-outline mt-2" onClick={addLoad}>
        add a load to {who}
      </button>
    </>
  );
}

function hang(survey: Survey, onChange: (survey: Survey) => void) {
  const number = Math.max(0, ...survey.loads.map((l) => l.number)) + 1;
  const load = { number, name: "lamp", typed: "", gang: HANGS_HERE, continuous: false };
  onChange({ ...survey, loads: [...survey.loads, load] });
}

/** The loads of one gang, or those that hang in the box. */
function LoadRows({
  survey,
  gang,
  onChange,
}: {
  survey: Survey;
  gang: number;
  onChange: (survey: Survey) => void;
}) {
  const loads = survey.loads.map((load, at) => ({ load, at })).filter(({ load }) => load.gang === gang);
  return (
    <>
      {loads.map(({ load, at }) => (
        <div
          key={load.number}
          className="mt-2 grid grid-cols-2 items-start gap-3 sm:grid-cols-[1.4fr_1.6fr_auto_auto]"
        >
          <TextField
            label={`Load ${load.number}, name`}
            value={load.name}
            onChange={(name) =>
              onChange({ ...survey, loads: replaceAt(survey.loads, at, { ...load, name }) })
            }
            maxLength={120}
          />
          <TypedLoad
            label={`What it is, load ${load.number}`}
            typed={load.typed}
            onChange={(typed) =>
              onChange({ ...survey, loads: replaceAt(survey.loads, at, { ...load, typed }) })
            }
          />
          <label className="mt-[21px] flex h-10 items-center gap-2 text-sm">
            <input
              type="checkbox"
              className="checkbox"
              checked={load.continuous}
              onChange={(e) =>
                onChange({
                  ...survey,
                  loads: replaceAt(survey.loads, at, { ...load, continuous: e.target.checked }),
                })
              }
            />
            3 h or more
          </label>
          <button
            type="button"
            className="btn btn-square btn-ghost mt-[21px]"
            aria-label={`take load ${load.number} away`}
            onClick={() => onChange(withoutLoads(survey, [load.number]))}
          >
            <Trash2 size={17} aria-hidden />
          </button>
        </div>
      ))}
    </>
  );
}
