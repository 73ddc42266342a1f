import { useMutation, useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { useBoxChanged } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api, planOptions, whatIfOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { labelsOf } from "../fit/work";
import { ReliesOn } from "./ReliesOn";
import { Stamp } from "../../ui/Stamp";
import { useKeys } from "../../ui/useKeys";
import { Waiting } from "../../ui/Waiting";
import { MarginNotes } from "../job/MarginNotes";
import { SheetLayout } from "../job/SheetLayout";
import { BehaviourSettings } from "./BehaviourSettings";
import { Figures } from "./Figures";
import { LiveControls } from "./LiveControls";
import { MoveEnds } from "./MoveEnds";
import { PlanPapers } from "./PlanPapers";
import { StateStrip } from "./StateStrip";
import { operated, type Positions, positionsOf } from "./states";
import { WiringDrawing } from "./WiringDrawing";
import { Sideways } from "../../ui/Sideways";

type View = "before" | "after" | "restore";
const VIEWS: View[] = ["before", "after", "restore"];

/** The wiring of the box, live and proved; before, after, and the way back. */
export function DrawSheet({ job, box }: { job: Schemas["JobView"]; box: string }) {
  const plan = useQuery(planOptions(box));
  if (plan.isPending) {
    return <Waiting what="the drawing" />;
  }
  if (plan.isError && !plan.data) {
    return (
      <div className="p-6">
        <Failure error={plan.error} onRetry={() => plan.refetch()} />
      </div>
    );
  }
  return <Drawn key={plan.data.version} job={job} box={box} plan={plan.data} />;
}

function Drawn({ job, box, plan }: { job: Schemas["JobView"]; box: string; plan: Schemas["PlanView"] }) {
  const [params, setParams] = useSearchParams();
  const asked = VIEWS.find((v) => v === params.get("view"));
  const view: View = asked ?? (plan.after ? "after" : "before");
  const show = (next: View) => setParams({ view: next }, { replace: true });
  const [at, setAt] = useState<Positions>({});
  const [off, setOff] = useState<string[]>([]);
  const [figures, setFigures] = useState(false);
  const switchedOff = useQuery({ ...planOptions(box, off), enabled: off.length > 0 });
  const [moving, setMoving] = useState(false);
  const [moves, setMoves] = useState<Schemas["EndMove"][]>([]);
  const trying = moves.length > 0;
  const whatIf = useQuery({ ...whatIfOptions(box, moves), enabled: trying });
  const tried = trying && view === "after" ? whatIf.data : undefined;
  const navigate = useNavigate();
  const changed = useBoxChanged(job.id, box);
  const issue = useMutation({ mutationFn: () => api.issuePlan(box, plan.version), onSuccess: changed });
  const shown = off.length > 0 && switchedOff.data ? switchedOff.data : plan;
  const wiring = tried?.after ?? (view === "after" && shown.after ? shown.after : shown.before);
  const { verdict, states, findings } = tried ?? plan;
  const keys = useMemo(
    () => ({
      b: () => setParams({ view: "before" }, { replace: true }),
      a: () => setParams({ view: "after" }, { replace: true }),
      r: () => setParams({ view: "restore" }, { replace: true }),
      m: () => setMoving((open) => !open),
    }),
    [setParams],
  );
  useKeys(keys);
  const known = job.boxes.find((b) => b.id === box);
  const room = job.rooms.find((r) => r.id === known?.roomId)?.name ?? "";
  const grave = findings.filter((f) => f.severity !== "NOTE").length;

  return (
    <SheetLayout
      title={`${room}, ${known?.label ?? ""}`}
      detail={
        plan.picks
          .map((p, index) => `${p.moduleCode}, ${plan.schemes[index]?.toLowerCase() ?? ""}`)
          .join("; ") || "no module picked"
      }
      actions={
        <fieldset className="join no-print" aria-label="what is drawn">
          {VIEWS.map((v) => (
            <button
              key={v}
              type="button"
              aria-pressed={v === view}
              disabled={v !== "before" && !plan.after}
              onClick={() => show(v)}
              className={`btn btn-sm join-item ${v === view ? "btn-neutral" : "btn-outline"}`}
            >
              {v}
            </button>
          ))}
        </fieldset>
      }
      margin={
        <MarginNotes
          findings={findings}
          empty={
            plan.after
              ? "Every state was looked at; nothing was found."
              : "The wiring as found shows no fault."
          }
          onStates={(state) => setAt(positionsOf(state))}
        />
      }
      noteCount={findings.length}
    >
      <div className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-3">
        {plan.after && (
          <Stamp
            verdict={verdict}
            line={
              grave > 0 ? `${grave} ${grave === 1 ? "reason" : "reasons"}` : `${states} of ${states} states`
            }
          />
        )}
        <div className="min-w-[220px] flex-1 space-y-2">
          {tried ? (
            <p className="font-semibold">
              Only tried: {moves.length} {moves.length === 1 ? "end" : "ends"} put elsewhere. The plan itself
              is unchanged.
            </p>
          ) : (
            <IssueState job={job} plan={plan} />
          )}
          {plan.after && !tried && <ReliesOn plan={plan} />}
          {whatIf.isError && (
            <Failure error={whatIf.error} onRetry={() => setMoves([])} retry="back to the plan" />
          )}
          {issue.isError && (
            <Failure error={issue.error} onRetry={changed} retry="load the box as it is now" />
          )}
          <div className="no-print flex flex-wrap gap-2">
            {!plan.after && (
              <Link className="btn btn-primary" to={`/jobs/${job.id}/boxes/${box}/match`}>
                pick a module
              </Link>
            )}
            {plan.after && !plan.issued?.current && (
              <button
                type="button"
                className="btn btn-primary"
                disabled={!plan.mayBeIssued || issue.isPending}
                onClick={() => issue.mutate()}
              >
                issue for work
              </button>
            )}
            {plan.issued?.current && !tried && (
              <button
                type="button"
                className="btn btn-primary"
                onClick={() => navigate(`/jobs/${job.id}/boxes/${box}/fit`)}
              >
                go to the run sheet
              </button>
            )}
            {view === "after" && plan.after && (
              <button
                type="button"
                className={`btn ${moving ? "btn-neutral" : "btn-outline"}`}
                aria-pressed={moving}
                onClick={() => {
                  setMoving(!moving);
                  setMoves([]);
                }}
              >
                move an end
              </button>
            )}
          </div>
        </div>
      </div>
      <Sideways className="drawn">
        <WiringDrawing wiring={wiring} at={at} onOperate={(id) => setAt(operated(wiring.steps, at, id))} />
      </Sideways>
      {moving && view === "after" && plan.after && (
        <MoveEnds ends={plan.ends} moves={moves} onMoves={setMoves} />
      )}
      {view === "after" && plan.after && (
        <p className="text-soft mt-1 text-[13px]">
          <span className="font-mono">›</span> moved, <span className="font-mono">+</span> added,{" "}
          <span className="font-mono">×</span> capped
        </p>
      )}
      <LiveControls
        wiring={wiring}
        names={plan.names}
        circuits={plan.circuits}
        off={off}
        at={at}
        onGo={setAt}
        onOff={setOff}
        figures={figures}
        onFigures={setFigures}
      />
      {figures && <Figures wiring={wiring} names={plan.names} at={at} />}
      <StateStrip
        rows={wiring.rows}
        at={at}
        onGo={setAt}
        findings={view === "after" ? findings : []}
        names={plan.names}
      />
      <p className="border-line text-soft mt-3 border-t pt-3 text-sm">
        Fixed wiring is for a licensed person under the local code. An input wire on a mains module is at
        mains potential.
      </p>
      {plan.settings.length > 0 && <BehaviourSettings job={job} box={box} plan={plan} />}
      <PlanPapers plan={plan} view={view} />
    </SheetLayout>
  );
}

function IssueState({ job, plan }: { job: Schemas["JobView"]; plan: Schemas["PlanView"] }) {
  if (!plan.after) {
    return plan.picks.length > 0 ? (
      <p>What is picked cannot be wired as it is: the margin says why. The wiring as found is shown.</p>
    ) : (
      <p>Nothing is picked yet. The wiring as found is shown.</p>
    );
  }
  if (plan.issued?.current) {
    return (
      <p>
        Issued for work by {plan.issued.by}, {moment(plan.issued.at)}, proved in {plan.issued.states} states.
        {plan.opens.length > 1 && ` One work opens ${labelsOf(job, plan.opens)}.`}
      </p>
    );
  }
  if (plan.issued) {
    return (
      <p className="text-warning font-semibold">
        The box changed after the plan was issued by {plan.issued.by}, {moment(plan.issued.at)}. It must be
        issued again.
      </p>
    );
  }
  return (
    <p>
      {plan.mayBeIssued
        ? `Proved in every state. It can be issued for work.${plan.opens.length > 1 ? ` One work opens ${labelsOf(job, plan.opens)}.` : ""}`
        : "Not proved: it cannot be issued for work."}
    </p>
  );
}
