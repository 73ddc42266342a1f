import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Schemas } from "../../api/transport";
import { api, standInOptions, joinOptions } from "./api";
import { Failure } from "../../ui/Failure";

const DEEDS = [
  { deed: "PRESS_BUTTON", word: "press" },
  { deed: "FLIP_SWITCH", word: "flip" },
  { deed: "COVER_ON", word: "cover" },
] as const;

const SHOWS: Record<Schemas["StandInModuleView"]["shows"], string> = {
  SEARCHING: "searching",
  JOINED: "joined",
  UPDATING: "takes in a file",
  FAILED: "gave up, press it again",
};

/** The stand-in house: what hands do in it and what eyes see, while the networks above are asked for real. */
export function StandInPart({ job }: { job: string }) {
  const queries = useQueryClient();
  const house = useQuery(standInOptions(job));
  const shown = (view: Schemas["StandInView"]) => {
    queries.setQueryData(standInOptions(job).queryKey, view);
    queries.invalidateQueries({ queryKey: joinOptions(job).queryKey });
  };
  const build = useMutation({ mutationFn: () => api.buildStandIn(job, { faults: {} }), onSuccess: shown });
  const hand = useMutation({
    mutationFn: (body: Schemas["Hand"]) => api.standInHand(job, body),
    onSuccess: shown,
  });
  const failed = house.error ?? build.error ?? hand.error;
  return (
    <section
      aria-label="stand-in house"
      className="border-edge mt-4 rounded-[4px] border-[1.5px] border-dashed p-3"
    >
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-[17px]">Stand-in house</h2>
        <span className="text-soft flex-1 text-[14px]">
          simulated modules, asked over MQTT and HTTP as real ones are
        </span>
        <button
          type="button"
          className="btn btn-sm btn-outline"
          disabled={build.isPending}
          onClick={() => build.mutate()}
        >
          {house.data?.built ? "bring what is new on the bench" : "build it from the bench"}
        </button>
      </div>
      {failed && <Failure error={failed} />}
      {house.data?.built && (
        <ul className="mt-2 grid gap-x-6 sm:grid-cols-2">
          {house.data.modules.map((module) => (
            <li
              key={module.serial}
              className="border-line flex flex-wrap items-center gap-2 border-b py-1.5 text-[14px]"
            >
              <Lamp lit={module.lit.length > 0} />
              <span className="min-w-0 flex-1 truncate">
                {module.place || module.serial}{" "}
                <span className="text-soft font-mono text-[12.5px]">{module.serial}</span>
                <span className="text-soft block text-[12.5px]">
                  indicator: {SHOWS[module.shows]}
                  {module.pattern && `, ${module.pattern}`}
                </span>
              </span>
              {DEEDS.map(({ deed, word }) => (
                <button
                  key={deed}
                  type="button"
                  className="btn btn-xs btn-outline"
                  onClick={() => hand.mutate({ serial: module.serial, deed })}
                >
                  {word}
                </button>
              ))}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Lamp({ lit }: { lit: boolean }) {
  return (
    <svg viewBox="0 0 20 20" width="18" height="18" role="img" aria-label={lit ? "lit" : "dark"}>
      <circle
        cx="10"
        cy="10"
        r="6"
        className={lit ? "fill-warning stroke-base-content" : "stroke-edge fill-none"}
        strokeWidth="1.5"
      />
      {lit && <path d="M10 1v2M10 17v2M1 10h2M17 10h2" className="stroke-base-content" strokeWidth="1.5" />}
    </svg>
  );
}
