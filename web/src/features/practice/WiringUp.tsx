import { useState } from "react";
import type { Act, Wall } from "./PracticePage";
import { WallBox } from "./WallBox";

type Place = Wall["places"][number];

/** Every conductor is where it was found; the learner puts them where they belong. */
export function WiringUp({ wall, act }: { wall: Wall; act: Act }) {
  return (
    <>
      <p className="text-soft mb-3 text-sm">
        Press a core, then the place it goes to. For a piece of wire press the button, then the two places
        that it joins.
      </p>
      {wall.places.map((place) => (
        <Wired key={place.id} wall={wall} place={place} act={act} />
      ))}
      <button type="button" className="btn btn-primary" onClick={() => act({ kind: "FINISH" })}>
        done, let the clerk prove it
      </button>
    </>
  );
}

function Wired({ wall, place, act }: { wall: Wall; place: Place; act: Act }) {
  const [core, setCore] = useState("");
  const [joining, setJoining] = useState(false);
  const [from, setFrom] = useState("");
  const key = place.cables.flatMap((cable) => cable.cores).find((each) => each.id === core)?.key;
  const put = (end: string) => {
    if (joining && !from) {
      setFrom(end);
    } else if (joining) {
      act({ kind: "JOIN", on: place.id, from, to: end });
      setJoining(false);
      setFrom("");
    } else if (key) {
      act({ kind: "PUT", on: place.id, from: key, to: end });
      setCore("");
    }
  };
  const words = (end: string) =>
    place.devices
      .flatMap((device) => device.ends.map((each) => ({ ...each, device: device.name })))
      .filter((each) => each.key === end)
      .map((each) => `${each.device}, ${each.label}`)
      .join() || end;
  return (
    <WallBox
      place={place}
      roles={wall.roles}
      act={act}
      picked={core ? [core] : []}
      onPick={(id) => {
        setJoining(false);
        setCore(id === core ? "" : id);
      }}
      onPut={put}
    >
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <button
          type="button"
          aria-pressed={joining}
          className={`btn btn-sm ${joining ? "btn-neutral" : "btn-outline"}`}
          onClick={() => {
            setJoining(!joining);
            setFrom("");
            setCore("");
          }}
        >
          piece of wire
        </button>
        {joining && <span className="text-sm">{from ? `from ${words(from)} to …` : "from …"}</span>}
        {place.wires.map((wire) => (
          <button
            key={wire.key}
            type="button"
            className="btn btn-sm btn-outline"
            onClick={() => act({ kind: "TAKE_OUT", on: place.id, from: wire.key })}
          >
            take out {wire.letters}: {words(wire.from)} to {words(wire.to)}
          </button>
        ))}
      </div>
    </WallBox>
  );
}
