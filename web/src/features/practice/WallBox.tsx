import type { ReactNode } from "react";
import { type BoxCable, OpenedBox } from "../opened/OpenedBox";
import type { Act, Wall } from "./PracticePage";

type Place = Wall["places"][number];
type Props = {
  place: Place;
  roles: Wall["roles"];
  act: Act;
  picked: string[];
  onPick?: (core: string) => void;
  onPut?: (end: string) => void;
  children?: ReactNode;
};

/** One box of the wall: its switches, whether it is proved dead, and what is in it. */
export function WallBox({ place, roles, act, picked, onPick, onPut, children }: Props) {
  const cables: BoxCable[] = place.cables.map((cable) => ({
    name: cable.name,
    cores: cable.cores.map((core) => ({
      id: core.id,
      colour: core.colour,
      letters: core.letters,
      words: core.words,
      at: core.at,
      note: roles.find((role) => role.role === core.role)?.label,
    })),
  }));
  return (
    <section aria-label={place.label} className="mb-6">
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <h2 className="text-[16px]">{place.label}</h2>
        {place.switches.map((gang) => (
          <button
            key={gang.id}
            type="button"
            className="btn btn-sm btn-outline"
            aria-label={`flip ${gang.name}`}
            onClick={() => act({ kind: "FLIP", on: gang.id })}
          >
            {gang.name}, {gang.mechanism}{" "}
            <span className="font-mono">{gang.position === 1 ? "▼ 1" : "▲ 0"}</span>
          </button>
        ))}
        <button
          type="button"
          className="btn btn-sm btn-outline"
          aria-label={`prove ${place.label} dead`}
          onClick={() => act({ kind: "PROVE_DEAD", on: place.id })}
        >
          prove dead
        </button>
        <span className={`text-sm ${place.provedDead ? "text-success font-semibold" : "text-warning"}`}>
          {place.provedDead ? "✓ proved dead" : "not proved dead"}
        </span>
      </div>
      <OpenedBox
        name={`inside of ${place.label}`}
        cables={cables}
        devices={place.devices}
        wires={place.wires}
        picked={picked}
        onPick={onPick}
        onPut={onPut}
      />
      {children}
    </section>
  );
}
