import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, type Schemas } from "../../api/client";
import { matchOptions, planOptions, surveyOptions, useBoxChanged } from "../../api/queries";
import { Failure } from "../../ui/Failure";
import { Waiting } from "../../ui/Waiting";
import { MarginNotes } from "../job/MarginNotes";
import { SheetLayout } from "../job/SheetLayout";
import { CandidateCard } from "./CandidateCard";

type Candidate = Schemas["CandidateView"];
type Pick = Schemas["PickEntry"];

/** How many of the ruled-out modules are shown before the rest folds. */
const RULED_OUT_SHOWN = 4;

/** Which modules can go behind these switches, and why the others can't. */
export function MatchSheet({ job, box }: { job: Schemas["JobView"]; box: string }) {
  const survey = useQuery(surveyOptions(box));
  const [chosenGangs, chooseGangs] = useState<number[] | null>(null);
  const groups = groupsOf(survey.data?.survey.gangs ?? []);
  const gangs = chosenGangs ?? groups[0]?.gangs ?? [];
  const match = useQuery({ ...matchOptions(box, gangs), enabled: gangs.length > 0 });
  const plan = useQuery(planOptions(box));
  const navigate = useNavigate();
  const changed = useBoxChanged(job.id, box);
  const pick = useMutation({
    mutationFn: (picks: Pick[]) => api.choose(box, { version: plan.data?.version ?? 0, picks }),
    onSuccess: changed,
  });
  const [showAll, setShowAll] = useState(false);

  if (survey.isPending || plan.isPending) {
    return <Waiting what="the box" />;
  }
  const failed = survey.error ?? plan.error ?? match.error;
  if (failed || !survey.data || !plan.data) {
    return <div className="p-6">{failed && <Failure error={failed} onRetry={() => match.refetch()} />}</div>;
  }
  const { picks } = plan.data;
  const room = job.rooms.find((r) => r.id === survey.data.roomId)?.name ?? "";
  const choose = (candidate: Candidate) => {
    const kept = picks.filter((p) => !p.gangs.some((gang) => candidate.gangs.includes(gang)));
    pick.mutate([...kept, pickOf(candidate)]);
  };
  const isPicked = (candidate: Candidate) =>
    picks.some((p) => p.moduleCode === candidate.moduleCode && p.gangs.join() === candidate.gangs.join());
  const fitting = match.data?.candidates.filter((c) => c.verdict === "OK") ?? [];
  const others = match.data?.candidates.filter((c) => c.verdict !== "OK") ?? [];
  const shown = showAll ? others : others.slice(0, Math.max(RULED_OUT_SHOWN, 8 - fitting.length));
  const names = survey.data.survey.gangs.filter((g) => gangs.includes(g.number)).map((g) => g.name);

  return (
    <SheetLayout
      title={`${room}, ${survey.data.survey.label}`}
      detail={`for ${names.join(" and ")}`}
      margin={
        picks.length > 0 ? (
          <MarginNotes findings={plan.data.findings} empty="The modules picked fit their places." />
        ) : (
          <p className="text-sm">No module is picked yet. The cards come best first.</p>
        )
      }
      noteCount={plan.data.findings.length}
      actions={
        groups.length > 1 && (
          <fieldset className="join" aria-label="gangs to match">
            {groups.map((group) => (
              <GangButton
                key={group.words}
                words={group.words}
                on={group.gangs.join() === gangs.join()}
                onPress={() => chooseGangs(group.gangs)}
              />
            ))}
          </fieldset>
        )
      }
    >
      {picks.length > 0 && (
        <div className="border-line mb-4 flex flex-wrap items-center gap-3 border-b pb-3">
          <span>
            Picked:{" "}
            {picks.map((p) => (
              <b key={p.gangs.join()} className="font-mono mr-2">
                {p.moduleCode} for {p.gangs.length > 1 ? "gangs" : "gang"} {p.gangs.join(" and ")}
              </b>
            ))}
          </span>
          <span className="flex-1" />
          <button type="button" className="btn btn-sm btn-outline" onClick={() => pick.mutate([])}>
            take back
          </button>
          <button
            type="button"
            className="btn btn-sm btn-primary"
            onClick={() => navigate(`/jobs/${job.id}/boxes/${box}/draw`)}
          >
            draw the wiring
          </button>
        </div>
      )}
      {pick.isError && <Failure error={pick.error} onRetry={changed} retry="load the box as it is now" />}
      {match.isPending && <Waiting what="the modules" />}
      <ol className="space-y-2.5" aria-label="modules, best first">
        {fitting.map((candidate, index) => (
          <CandidateCard
            key={candidate.moduleCode}
            candidate={candidate}
            rank={index + 1}
            picked={isPicked(candidate)}
            busy={pick.isPending}
            onPick={() => choose(candidate)}
          />
        ))}
        {shown.map((candidate) => (
          <CandidateCard
            key={candidate.moduleCode}
            candidate={candidate}
            picked={isPicked(candidate)}
            busy={pick.isPending}
            onPick={() => choose(candidate)}
          />
        ))}
      </ol>
      {match.data && fitting.length === 0 && (
        <p className="mt-3 font-semibold">
          No module of the stock book fits as it is. The reasons stand above.
        </p>
      )}
      {others.length > shown.length && (
        <button type="button" className="btn btn-sm btn-outline mt-4" onClick={() => setShowAll(true)}>
          show {others.length - shown.length} more that do not fit
        </button>
      )}
    </SheetLayout>
  );
}

/** What can be matched together: all gangs that share a circuit, and each gang alone. */
function groupsOf(gangs: Schemas["GangEntry"][]): { words: string; gangs: number[] }[] {
  const circuits = [...new Set(gangs.map((gang) => gang.circuit))];
  const shared = circuits
    .map((circuit) => gangs.filter((gang) => gang.circuit === circuit))
    .filter((members) => members.length > 1)
    .map((members) => ({
      words: members.length === gangs.length ? "all gangs" : members.map((gang) => gang.name).join(" and "),
      gangs: members.map((gang) => gang.number),
    }));
  return [...shared, ...gangs.map((gang) => ({ words: gang.name, gangs: [gang.number] }))];
}

function GangButton({ words, on, onPress }: { words: string; on: boolean; onPress: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onPress}
      className={`btn btn-sm join-item ${on ? "btn-neutral" : "btn-outline"}`}
    >
      {words}
    </button>
  );
}

function pickOf(candidate: Candidate): Pick {
  return {
    moduleCode: candidate.moduleCode,
    gangs: candidate.gangs,
    behaviours: candidate.behaviours,
    ...(candidate.bypassWatts ? { bypassWatts: candidate.bypassWatts } : {}),
  };
}
