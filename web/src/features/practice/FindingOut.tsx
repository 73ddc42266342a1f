import { useMemo, useState } from "react";
import { useKeys } from "../../ui/useKeys";
import type { Act, Deed, Wall } from "./PracticePage";
import { WallBox } from "./WallBox";

type Tool = "TEST_TO_EARTH" | "PEN" | "TEST_CONTINUITY" | "TEST_FROM_LIVE" | "FREE" | "PUT_BACK" | "NAME";

const TOOLS: { tool: Tool; words: string; how: string }[] = [
  { tool: "TEST_TO_EARTH", words: "tester to earth", how: "Press a core." },
  { tool: "PEN", words: "pen", how: "Press a core. A pen says little: it beeps at what floats, too." },
  { tool: "FREE", words: "free", how: "Press a core to take it off its place. Dead and proved first." },
  { tool: "PUT_BACK", words: "put back", how: "Press a core that is free." },
  { tool: "TEST_CONTINUITY", words: "continuity", how: "Press two cores that are free, everything off." },
  { tool: "TEST_FROM_LIVE", words: "tester from live", how: "Press a core that is free, breaker on." },
  { tool: "NAME", words: "name", how: "Choose what it is, then press the core." },
];

/** Instruments in hand: a tool, then the core it is put to. */
export function FindingOut({ wall, act }: { wall: Wall; act: Act }) {
  const [tool, setTool] = useState<Tool>("TEST_TO_EARTH");
  const [first, setFirst] = useState("");
  const [role, setRole] = useState(wall.roles[0]?.role);
  const take = (next: Tool) => {
    setTool(next);
    setFirst("");
  };
  const keys = useMemo(
    () =>
      Object.fromEntries(
        TOOLS.map(({ tool: each }, at) => [
          `${at + 1}`,
          () => {
            setTool(each);
            setFirst("");
          },
        ]),
      ),
    [],
  );
  useKeys(keys);
  const press = (core: string) => {
    if (tool === "TEST_CONTINUITY" && !first) {
      setFirst(core);
      return;
    }
    const deed: Deed =
      tool === "TEST_CONTINUITY"
        ? { kind: tool, on: first, to: core }
        : tool === "NAME"
          ? { kind: tool, on: core, role }
          : { kind: tool, on: core };
    setFirst("");
    act(deed);
  };
  const unnamed = wall.places
    .flatMap((place) => place.cables.flatMap((cable) => cable.cores))
    .filter((core) => !core.role).length;

  return (
    <>
      <fieldset className="bg-base-200 border-line sticky top-0 z-10 -mx-1 mb-4 border-b px-1 py-2">
        <legend className="sr-only">instrument in hand</legend>
        <div className="flex flex-wrap gap-1.5">
          {TOOLS.map(({ tool: each, words }, at) => (
            <button
              key={each}
              type="button"
              aria-pressed={tool === each}
              className={`btn btn-sm ${tool === each ? "btn-neutral" : "btn-outline"}`}
              onClick={() => take(each)}
            >
              {words} <span className="kbd-key hidden sm:inline">{at + 1}</span>
            </button>
          ))}
          {wall.lamps.map((lamp) => (
            <button
              key={lamp}
              type="button"
              className="btn btn-sm btn-outline"
              onClick={() => act({ kind: "LOOK", on: lamp })}
            >
              look at {lamp}
            </button>
          ))}
        </div>
        {tool === "NAME" && (
          <div className="mt-2 flex flex-wrap gap-1.5">
            {wall.roles.map((each) => (
              <button
                key={each.role}
                type="button"
                aria-pressed={role === each.role}
                className={`btn btn-xs ${role === each.role ? "btn-primary" : "btn-outline"}`}
                onClick={() => setRole(each.role)}
              >
                {each.label}
              </button>
            ))}
          </div>
        )}
        <p className="text-soft mt-1 text-sm">
          {first ? "Now the other core." : TOOLS.find((each) => each.tool === tool)?.how}
        </p>
      </fieldset>
      {wall.places.map((place) => (
        <WallBox
          key={place.id}
          place={place}
          roles={wall.roles}
          act={act}
          picked={first ? [first] : []}
          onPick={press}
        />
      ))}
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-primary"
          disabled={unnamed > 0}
          onClick={() => act({ kind: "NAMES_DONE" })}
        >
          stand by these names
        </button>
        <span className="text-soft text-sm">
          {unnamed > 0
            ? `${unnamed} ${unnamed === 1 ? "core has" : "cores have"} no name yet.`
            : "Testing ends here."}
        </span>
      </div>
    </>
  );
}
