import { useQuery } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { useId } from "react";
import type { Schemas } from "../../api/transport";
import { stockOptions } from "../stock/api";
import { Choice } from "../../ui/Choice";
import { LengthField } from "../../ui/LengthField";
import { TextField } from "../../ui/TextField";
import { endsOnModule, replaceAt, type Survey, withoutModule } from "./draft";

type Found = Schemas["ModuleEntry"];
type Props = { job: Schemas["JobView"]; survey: Survey; onChange: (survey: Survey) => void };

const FREE = [0, 1, 2, 3, 4].map((count) => ({ value: String(count), label: String(count) }));

const SIDES = [
  { field: "lengthMm", label: "Long" },
  { field: "widthMm", label: "Wide" },
  { field: "thicknessMm", label: "Thick" },
] as const;

/** What is known of the terminals of a module; what follows for a plan is not for this list to say. */
function standing(on: number, known: boolean, label: string): string {
  const entered = `${on} ${on === 1 ? "conductor is" : "conductors are"} entered on its terminals`;
  if (!known) {
    return `${on > 0 ? `${entered}, but it` : "It"} is not in the stock book: enter it there, so that its terminals are known.`;
  }
  return on > 0
    ? `${entered}.`
    : `Nothing is entered on its terminals yet: choose ${label} where its conductors end.`;
}

/** Modules that are in the box already: they take room, and what hangs on them is surveyed at its cables and jumpers. */
export function ModulesInPlace({ job, survey, onChange }: Props) {
  const stock = useQuery(stockOptions);
  const list = useId();
  const found = survey.modules ?? [];
  const keep = (modules: Found[]) =>
    onChange({ ...survey, modules: modules.length > 0 ? modules : undefined });
  const known = (stock.data?.modules ?? []).map((item) => item.document);
  /** What the stock book knows of a module by its code is taken from there. */
  const named = (module: Found, name: string): Found => {
    const model = known.find((each) => each.code === name.trim());
    const sized = model?.lengthMm && model.widthMm && model.thicknessMm;
    const outside = sized
      ? { lengthMm: model.lengthMm ?? 0, widthMm: model.widthMm ?? 0, thicknessMm: model.thicknessMm ?? 0 }
      : module.outside;
    return { ...module, name, outside };
  };
  const isKnown = (module: Found) => known.some((each) => each.code === module.name.trim());
  return (
    <section aria-label="Modules in the box already">
      <h2 className="mb-2 text-[16px]">Modules in the box already</h2>
      <datalist id={list}>
        {known.map((model) => (
          <option key={model.code} value={model.code}>
            {model.name}
          </option>
        ))}
      </datalist>
      <ul className="space-y-3">
        {found.map((module, index) => {
          const set = (change: Partial<Found>) => keep(replaceAt(found, index, { ...module, ...change }));
          const outside = module.outside ?? { lengthMm: 0, widthMm: 0, thicknessMm: 0 };
          const label = module.name || `module ${index + 1}`;
          const on = endsOnModule(survey, index + 1);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows have no identity of their own, and are typed in place
            <li key={index} className="grid grid-cols-2 items-end gap-2 sm:grid-cols-6">
              <TextField
                className="col-span-2"
                label="What stands on it"
                list={list}
                maxLength={40}
                value={module.name}
                onChange={(name) => keep(replaceAt(found, index, named(module, name)))}
              />
              {SIDES.map((side) => (
                <LengthField
                  key={side.field}
                  job={job}
                  label={side.label}
                  mm={outside[side.field]}
                  least={0}
                  onChange={(mm) => set({ outside: { ...outside, [side.field]: mm } })}
                />
              ))}
              <span className="flex items-end gap-2">
                {on === 0 && (
                  <Choice
                    className="grow"
                    label="Free channels"
                    value={String(module.freeChannels)}
                    options={FREE}
                    onChange={(free) => set({ freeChannels: Number(free) })}
                  />
                )}
                <button
                  type="button"
                  className="btn btn-square btn-ghost"
                  aria-label={`take ${label} off the list`}
                  onClick={() => onChange(withoutModule(survey, index))}
                >
                  <Trash2 size={16} aria-hidden />
                </button>
              </span>
              <p className="text-soft col-span-2 text-sm sm:col-span-6">
                {standing(on, isKnown(module), label)}
              </p>
            </li>
          );
        })}
      </ul>
      <button
        type="button"
        className="btn btn-xs btn-outline mt-2"
        disabled={found.length >= 6}
        onClick={() => keep([...found, { name: "", freeChannels: 0 }])}
      >
        add a module that is in it
      </button>
    </section>
  );
}
