import { useId, useState } from "react";
import type { Schemas } from "../../api/transport";
import { connectorsOf, type End, endOf, endValue, HANGS_HERE, type Survey } from "./draft";

import { useModulesInBox } from "./modulesInBox";

type Props = {
  job: Schemas["JobView"];
  label: string;
  survey: Survey;
  value: End;
  onChange: (end: End) => void;
  placesOnly?: boolean;
};

const NEW = "new connector";

/** Where a conductor ends: a terminal, a connector, capped or loose. */
export function EndChoice({ job, label, survey, value, onChange, placesOnly = false }: Props) {
  const id = useId();
  const modules = useModulesInBox(survey);
  const [naming, setNaming] = useState(false);
  const [name, setName] = useState("");
  if (naming) {
    const done = () => {
      setNaming(false);
      if (name.trim()) {
        onChange({ at: "CONNECTOR", connector: name.trim() });
      }
    };
    return (
      <input
        className="input w-full"
        aria-label={`name of the connector, ${label}`}
        placeholder="name of the connector"
        value={name}
        // biome-ignore lint/a11y/noAutofocus: it replaces the select that had the focus
        autoFocus
        maxLength={40}
        onChange={(event) => setName(event.target.value)}
        onBlur={done}
        onKeyDown={(event) => event.key === "Enter" && done()}
      />
    );
  }
  return (
    <div>
      <label htmlFor={id} className="sr-only">
        {label}
      </label>
      <select
        id={id}
        className="select w-full"
        value={endValue(value)}
        onChange={(event) =>
          event.target.value === NEW ? setNaming(true) : onChange(endOf(event.target.value))
        }
      >
        {survey.gangs.map((gang) => (
          <optgroup key={gang.number} label={gang.name}>
            {job.terminals[gang.mechanism]?.map((terminal) => (
              <option key={terminal} value={`g:${gang.number}:${terminal}`}>
                gang {gang.number}, {terminal}
              </option>
            ))}
          </optgroup>
        ))}
        {survey.loads
          .filter((load) => load.gang === HANGS_HERE)
          .map((load) => (
            <optgroup key={load.number} label={load.name}>
              {["L", "N", "PE"].map((terminal) => (
                <option key={terminal} value={`x:${load.number}:${terminal}`}>
                  {load.name}, {terminal}
                </option>
              ))}
            </optgroup>
          ))}
        {modules.map((module) => (
          <optgroup key={module.number} label={module.name}>
            {module.terminals.map((terminal) => (
              <option key={terminal} value={`m:${module.number}:${terminal}`}>
                {module.name}, {terminal}
              </option>
            ))}
            {value.at === "MODULE" &&
              value.module === module.number &&
              !module.terminals.includes(value.terminal ?? "") && (
                <option value={endValue(value)}>
                  {module.name}, {value.terminal}
                </option>
              )}
          </optgroup>
        ))}
        <optgroup label="Connectors">
          {connectorsOf(survey).map((connector) => (
            <option key={connector} value={`j:${connector}`}>
              connector {connector}
            </option>
          ))}
          <option value={NEW}>new connector …</option>
        </optgroup>
        {!placesOnly && (
          <optgroup label="Free">
            <option value="CAPPED">capped</option>
            <option value="LOOSE">loose</option>
          </optgroup>
        )}
      </select>
    </div>
  );
}
