import { useMutation } from "@tanstack/react-query";
import { useBoxChanged } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api } from "../match/api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";

type Setting = Schemas["GangSetting"];

/** How each wall switch acts on its relay; changing it is proved again at once. */
export function BehaviourSettings({
  job,
  box,
  plan,
}: {
  job: Schemas["JobView"];
  box: string;
  plan: Schemas["PlanView"];
}) {
  const changed = useBoxChanged(job.id, box);
  const set = useMutation({
    mutationFn: ({ gang, behaviour }: { gang: number; behaviour: Setting["behaviour"] }) =>
      api.choose(box, {
        version: plan.version,
        picks: plan.picks.map((pick) =>
          pick.gangs.includes(gang)
            ? { ...pick, behaviours: { ...pick.behaviours, [gang]: behaviour } }
            : pick,
        ),
      }),
    onSuccess: changed,
  });
  return (
    <section className="no-print mt-4">
      <h2 className="mb-2 text-[16px]">How the wall switches act</h2>
      <div className="grid gap-3 sm:grid-cols-2">
        {plan.settings.map((setting) => (
          <Choice
            key={setting.gang}
            label={`${setting.gangName}, on ${setting.moduleCode}`}
            value={setting.behaviour}
            options={setting.possible.map((p) => ({ value: p.behaviour, label: p.label }))}
            onChange={(behaviour) => set.mutate({ gang: setting.gang, behaviour })}
          />
        ))}
      </div>
      {set.isError && <Failure error={set.error} onRetry={changed} retry="load the box as it is now" />}
    </section>
  );
}
