import type { Schemas } from "../../api/transport";
import { type BoxCable, type BoxDevice, OpenedBox } from "../opened/OpenedBox";

type Box = Schemas["BoxSeen"];

/** An opened box with its cores as stubs: what is certain stands on them, what the next test touches is lit. */
export function CorePicture({ box, touched }: { box: Box; touched: string[] }) {
  const names = [...new Set(box.cores.map((core) => core.cable))];
  const cables: BoxCable[] = names.map((name) => ({
    name,
    cores: box.cores
      .filter((core) => core.cable === name)
      .map((core) => ({
        id: core.id,
        colour: core.colour,
        letters: core.letters,
        words: `${core.letters} of ${core.cable}`,
        at: core.at,
        note: core.certain ? core.roles.join() : `${core.roles.length || "no"} possible`,
        sure: core.certain,
      })),
  }));
  return (
    <OpenedBox
      name={`inside of ${box.label}`}
      cables={cables}
      devices={devicesOf(box)}
      picked={touched.filter((core) => box.cores.some((own) => own.id === core))}
    />
  );
}

/** Places by the device that stands before the comma of their words. */
function devicesOf(box: Box): BoxDevice[] {
  const devices = new Map<string, BoxDevice>();
  for (const at of [...new Set(box.cores.map((core) => core.at))].sort()) {
    const comma = at.lastIndexOf(", ");
    const name = comma > 0 ? at.slice(0, comma) : at.startsWith("connector") ? "connectors" : "alone";
    const label = comma > 0 ? at.slice(comma + 2) : at.replace("connector ", "");
    const device = devices.get(name) ?? { name, ends: [] };
    device.ends.push({ key: at, label });
    devices.set(name, device);
  }
  return [...devices.values()];
}
