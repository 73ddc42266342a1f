import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { type BoxCable, type BoxDevice, type BoxWire, OpenedBox } from "../opened/OpenedBox";
import { COLOURS, DropCables, ROLES, wayOf } from "./CableCards";
import { connectorsOf, endOf, endValue, type Survey } from "./draft";
import { useModulesInBox } from "./modulesInBox";

type Props = { job: Schemas["JobView"]; survey: Survey; onChange: (survey: Survey) => void };

/** The opened box: press a core, then the place that it ends on. */
export function BoxPicture({ job, survey, onChange }: Props) {
  const [picked, setPicked] = useState("");
  const modules = useModulesInBox(survey);
  const letters = (colour: Survey["jumpers"][number]["colour"]) =>
    COLOURS.find((each) => each.value === colour)?.label.split(" ")[0] ?? colour;
  const cables: BoxCable[] = survey.cables.map((cable) => ({
    name: cable.name,
    detail: wayOf(job, survey, cable),
    cores: cable.cores.map((core) => ({
      id: `${cable.name} ${core.number}`,
      colour: core.sleeve ?? core.colour,
      letters: letters(core.colour),
      words: `${COLOURS.find((each) => each.value === core.colour)?.label} of ${cable.name}`,
      at: endValue(core.end),
      note: ROLES.find((role) => role.value === core.role)?.label,
    })),
  }));
  const connectors = connectorsOf(survey);
  const fresh = `${[1, 2, 3, 4, 5, 6, 7, 8, 9].find((n) => !connectors.includes(String(n))) ?? "new"}`;
  const devices: BoxDevice[] = [
    ...survey.gangs.map((gang) => ({
      name: gang.name || `gang ${gang.number}`,
      ends: (job.terminals[gang.mechanism] ?? []).map((terminal) => ({
        key: `g:${gang.number}:${terminal}`,
        label: terminal,
      })),
    })),
    ...survey.loads
      .filter((load) => load.gang === 0)
      .map((load) => ({
        name: load.name,
        ends: ["L", "N", "PE"].map((terminal) => ({ key: `x:${load.number}:${terminal}`, label: terminal })),
      })),
    ...modules.map((module) => ({
      name: module.name,
      ends: module.terminals.map((terminal) => ({
        key: `m:${module.number}:${terminal}`,
        label: terminal,
      })),
    })),
    {
      name: "connectors",
      ends: [...connectors, fresh].map((name, at) => ({
        key: `j:${name}`,
        label: at === connectors.length ? `${name} (new)` : name,
      })),
    },
    {
      name: "alone",
      ends: [
        { key: "CAPPED", label: "capped" },
        { key: "LOOSE", label: "loose" },
      ],
    },
  ];
  const wires: BoxWire[] = survey.jumpers.map((jumper) => ({
    key: jumper.key,
    colour: jumper.colour,
    letters: letters(jumper.colour),
    from: endValue(jumper.from),
    to: endValue(jumper.to),
  }));
  const put = (end: string) => {
    if (!picked) {
      return;
    }
    onChange({
      ...survey,
      cables: survey.cables.map((cable) => ({
        ...cable,
        cores: cable.cores.map((core) =>
          `${cable.name} ${core.number}` === picked ? { ...core, end: endOf(end) } : core,
        ),
      })),
    });
    setPicked("");
  };
  return (
    <section aria-label="The opened box">
      <OpenedBox
        name="the box, opened"
        cables={cables}
        devices={devices}
        wires={wires}
        picked={picked ? [picked] : []}
        onPick={(core) => setPicked(core === picked ? "" : core)}
        onPut={put}
      />
      <p className="text-soft mt-1 mb-2 text-sm" role="status">
        {words(picked, cables.length)}
      </p>
      <DropCables job={job} survey={survey} onChange={onChange} />
    </section>
  );
}

function words(picked: string, cables: number): string {
  if (cables === 0) {
    return "No cables yet. Drop the feed cable first.";
  }
  return picked ? "Now the place that it ends on." : "Press a core, then the place that it ends on.";
}
