import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { useBoxChanged } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { planOptions } from "../draw/api";
import { api, matchOptions, schemesOptions } from "./api";
import { surveyOptions } from "../survey/api";
import { Failure } from "../../ui/Failure";
import { Waiting } from "../../ui/Waiting";
import { MarginNotes } from "../job/MarginNotes";
import { SheetLayout } from "../job/SheetLayout";
import { CandidateCard } from "./CandidateCard";
import { RemedyButton } from "./RemedyButton";
import { SchemeChooser } from "./SchemeChooser";
import { TakeOn } from "./TakeOn";

type Candidate = Schemas["CandidateView"];
type Pick = Schemas["PickEntry"];
type Scheme = Schemas["OfferView"]["scheme"];
const NOTHING: Schemas["Together"] = { words: "", gangs: [], loads: [] };

/** How many of the ruled-out modules are shown before the rest folds. */
const RULED_OUT_SHOWN = 4;

/** Which modules can go behind these switches, and why the others can't. */
export function MatchSheet({ job, box }: { job: Schemas["JobView"]; box: string }) {
  const survey = useQuery(surveyOptions(box));
  const [chosenGroup, chooseGroup] = useState<string | null>(null);
  const [chosenScheme, chooseScheme] = useState<Scheme | null>(null);
  const plan = useQuery(planOptions(box));
  const groups = plan.data?.together ?? [];
  const group = groups.find((g) => g.words === chosenGroup) ?? groups[0] ?? NOTHING;
  const { gangs, loads } = group;
  const position = { gangs, loads };
  const asked = gangs.length + group.loads.length > 0;
  const schemes = useQuery({ ...schemesOptions(box, position), enabled: asked });
  const pickedScheme = plan.data?.picks.find((p) => p.gangs.join() === gangs.join())?.scheme;
  const scheme = chosenScheme ?? pickedScheme ?? schemes.data?.offers.find((offer) => offer.best)?.scheme;
  const match = useQuery({
    ...matchOptions(box, position, scheme),
    enabled: asked && scheme !== undefined,
  });
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
  const failed = survey.error ?? plan.error ?? schemes.error ?? match.error;
  if (failed || !survey.data || !plan.data) {
    return <div className="p-6">{failed && <Failure error={failed} onRetry={() => match.refetch()} />}</div>;
  }
  const { picks } = plan.data;
  const room = job.rooms.find((r) => r.id === survey.data.roomId)?.name ?? "";
  const choose = (candidate: Candidate) => {
    const kept = picks.filter(
      (p) =>
        !p.gangs.some((gang) => candidate.gangs.includes(gang)) &&
        !p.loads?.some((load) => candidate.loads.includes(load)),
    );
    pick.mutate([...kept, pickOf(candidate)]);
  };
  const isPicked = (candidate: Candidate) =>
    picks.some(
      (p) =>
        p.moduleCode === candidate.moduleCode &&
        p.gangs.join() === candidate.gangs.join() &&
        (p.loads ?? []).join() === candidate.loads.join() &&
        (p.scheme ?? candidate.scheme) === candidate.scheme &&
        (p.companionCode ?? "") === (candidate.companionCode ?? ""),
    );
  const fitting = match.data?.candidates.filter((c) => c.verdict === "OK") ?? [];
  const others = match.data?.candidates.filter((c) => c.verdict !== "OK") ?? [];
  const shown = showAll ? others : others.slice(0, Math.max(RULED_OUT_SHOWN, 8 - fitting.length));

  const atLamp = schemes.data?.offers.find((offer) => offer.best && offer.atLoad);
  const best = fitting[0];
  const bestToPick = best && !isPicked(best) ? best : undefined;
  const remedyButton = (finding: Schemas["FindingView"], remedy: Schemas["RemedyView"]) => (
    <RemedyButton
      key={remedy.text}
      job={job.id}
      box={box}
      plan={plan.data}
      finding={finding}
      remedy={remedy}
      best={bestToPick?.moduleCode}
      onPickBest={() => bestToPick && choose(bestToPick)}
      onAtLamp={atLamp && scheme !== atLamp.scheme ? () => chooseScheme(atLamp.scheme) : undefined}
    />
  );

  return (
    <SheetLayout
      title={`${room}, ${survey.data.survey.label}`}
      detail={asked ? `for ${group.words}` : "nothing to match"}
      margin={
        picks.length > 0 ? (
          <MarginNotes
            findings={plan.data.findings}
            empty="The modules picked fit their places."
            remedy={remedyButton}
            extra={(finding) => <TakeOn job={job.id} box={box} plan={plan.data} finding={finding} />}
          />
        ) : (
          <p className="text-sm">No module is picked yet. The cards come best first.</p>
        )
      }
      noteCount={plan.data.findings.length}
      actions={
        groups.length > 1 && (
          <fieldset className="join" aria-label="what to match">
            {groups.map((other) => (
              <GangButton
                key={other.words}
                words={other.words}
                on={other === group}
                onPress={() => {
                  chooseGroup(other.words);
                  chooseScheme(null);
                }}
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
              <b key={`${p.gangs.join()} ${p.loads?.join()}`} className="mr-2 font-mono">
                {p.moduleCode} for {pickedFor(p)}
                {p.spacerMm != null && `, spacer ${p.spacerMm} mm`}
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
      {!asked && <p>Nothing in this box is switched or hangs in it.</p>}
      {plan.data.chosenFrom.length > 0 && (
        <p className="border-primary mb-4 max-w-prose border-l-4 pl-3">
          What is here is switched elsewhere. Its ways are chosen at{" "}
          {plan.data.chosenFrom.map((from, index) => (
            <span key={from.box}>
              {index > 0 && ", "}
              <Link className="link font-semibold" to={`/jobs/${job.id}/boxes/${from.box}/match`}>
                {from.label}
              </Link>
            </span>
          ))}
          .
        </p>
      )}
      {asked && schemes.isPending && <Waiting what="the ways to wire it" />}
      {schemes.data && (
        <SchemeChooser offers={schemes.data.offers} chosen={scheme ?? null} onChoose={chooseScheme} />
      )}
      {scheme && match.isPending && <Waiting what="the modules" />}
      {scheme && <h2 className="mb-2 text-[16px]">Modules for it, best first</h2>}
      <ol className="space-y-2.5" aria-label="modules, best first">
        {fitting.map((candidate, index) => (
          <CandidateCard
            key={`${candidate.moduleCode} ${candidate.companionCode ?? ""}`}
            candidate={candidate}
            rank={index + 1}
            picked={isPicked(candidate)}
            busy={pick.isPending}
            onPick={() => choose(candidate)}
            inside={survey.data.survey.geometry}
          />
        ))}
        {shown.map((candidate) => (
          <CandidateCard
            key={`${candidate.moduleCode} ${candidate.companionCode ?? ""}`}
            candidate={candidate}
            picked={isPicked(candidate)}
            busy={pick.isPending}
            onPick={() => choose(candidate)}
            inside={survey.data.survey.geometry}
          />
        ))}
      </ol>
      {match.data?.advice.map((advice) => (
        <p key={advice.subject} className="border-warning mt-3 max-w-prose border-l-4 pl-3">
          {advice.reason}
        </p>
      ))}
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

function pickedFor(pick: Pick): string {
  if (pick.loads?.length) {
    return `load ${pick.loads.join(" and ")}`;
  }
  return `${pick.gangs.length > 1 ? "gangs" : "gang"} ${pick.gangs.join(" and ")}`;
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
    scheme: candidate.scheme,
    loads: candidate.loads,
    ...(candidate.companionCode ? { companionCode: candidate.companionCode } : {}),
    ...(candidate.bypassWatts ? { bypassWatts: candidate.bypassWatts } : {}),
  };
}
