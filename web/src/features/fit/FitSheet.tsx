import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { useBoxChanged } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { planOptions } from "../draw/api";
import { api, runSheetOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { Waiting } from "../../ui/Waiting";
import { SheetLayout } from "../job/SheetLayout";
import { Photos } from "../survey/Photos";
import { labelsOf, nearestFirst, rank } from "./work";
import { LocksPart } from "./LocksPart";
import { OutboxNote } from "./OutboxNote";
import { useOutbox, withLetters } from "./outbox";
import { ReasonForm } from "./ReasonForm";
import { StepForm } from "./StepForm";
import { StoppedPart } from "./StoppedPart";
import { StepList } from "./StepList";

type Sheet = Schemas["RunSheetView"];

/** The run sheet: one step at a time, gates that can't be passed by. */
export function FitSheet({ job, box }: { job: Schemas["JobView"]; box: string }) {
  const sheet = useQuery(runSheetOptions(box));
  const known = job.boxes.find((b) => b.id === box);
  const room = job.rooms.find((r) => r.id === known?.roomId)?.name ?? "";
  const title = `${room}, ${known?.label ?? ""}`;
  if (sheet.isPending) {
    return <Waiting what="the run sheet" />;
  }
  if (sheet.isError && !sheet.data) {
    return (
      <div className="p-6">
        <Failure error={sheet.error} onRetry={() => sheet.refetch()} />
      </div>
    );
  }
  const last = sheet.data?.sheet;
  if (!last || last.setAside || last.finished) {
    return <NoOpenSheet job={job} box={box} title={title} last={last} />;
  }
  return <OpenSheet job={job} box={box} title={title} kept={last} />;
}

function NoOpenSheet({
  job,
  box,
  title,
  last,
}: {
  job: Schemas["JobView"];
  box: string;
  title: string;
  last?: Sheet;
}) {
  const plan = useQuery(planOptions(box));
  const changed = useBoxChanged(job.id, box);
  const start = useMutation({ mutationFn: () => api.startRunSheet(box), onSuccess: changed });
  const ready = plan.data?.issued?.current ?? false;
  return (
    <SheetLayout title={title} detail={last?.finished ? "run sheet finished" : "no run sheet open"}>
      {last?.finished && (
        <div className="border-success mb-5 border-l-4 pl-3">
          <h2 className="text-lg">All {last.steps.length} steps are recorded</h2>
          <p className="text-soft">
            Started by {last.startedBy}, {moment(last.startedAt)}. What was recorded stands below.
          </p>
        </div>
      )}
      {!ready && !last?.finished && (
        <p className="mb-4 max-w-prose">
          A run sheet starts from a plan that was proved and issued.{" "}
          <Link className="text-primary underline" to={`/jobs/${job.id}/boxes/${box}/draw`}>
            Issue it on the Draw sheet
          </Link>{" "}
          first.
        </p>
      )}
      {start.isError && <Failure error={start.error} />}
      {!last?.finished && (
        <button
          type="button"
          className="btn btn-primary"
          disabled={!ready || start.isPending}
          onClick={() => start.mutate()}
        >
          start the run sheet
        </button>
      )}
      {last && (
        <div className="mt-4 max-w-xl">
          <LocksPart box={box} sheet={last} open={false} onChanged={changed} />
        </div>
      )}
      {last && <StepList sheet={last} />}
      {last?.finished && ready && (
        <button
          type="button"
          className="btn btn-outline mt-5"
          disabled={start.isPending}
          onClick={() => start.mutate()}
        >
          start another run sheet
        </button>
      )}
    </SheetLayout>
  );
}

function OpenSheet({
  job,
  box,
  title,
  kept,
}: {
  job: Schemas["JobView"];
  box: string;
  title: string;
  kept: Sheet;
}) {
  const changed = useBoxChanged(job.id, box);
  const outbox = useOutbox(box, changed);
  const sheet = withLetters(kept, outbox.letters);
  const [asking, ask] = useState<"stop" | "otherwise" | null>(null);
  const [chosen, choose] = useState<string | null>(null);
  const act = useMutation({
    mutationFn: (deed: () => Promise<unknown>) => deed(),
    onSuccess: async () => {
      ask(null);
      await changed();
    },
  });
  const open = sheet.steps.filter((step) => step.open).sort((a, b) => rank(a.box, box) - rank(b.box, box));
  const current = open.find((step) => step.id === chosen) ?? open[0];
  const gateWaits =
    current?.gate &&
    outbox.letters.some((l) => !l.refused && l.deed.stepId === current.id && l.deed.do === "enter");

  return (
    <SheetLayout
      title={title}
      detail={`step ${Math.min(sheet.done + 1, sheet.steps.length)} of ${sheet.steps.length}`}
      margin={
        <>
          <StepList sheet={sheet} />
          <Refusals sheet={kept} />
        </>
      }
      noteCount={sheet.steps.length - sheet.done}
    >
      <div className="mx-auto flex max-w-xl flex-col gap-4">
        <ol className="flex gap-1" aria-label={`${sheet.done} of ${sheet.steps.length} steps recorded`}>
          {sheet.steps.map((step) => (
            <li
              key={step.id}
              className={`h-1.5 flex-1 rounded-full ${step.done ? "bg-success" : step.id === current?.id ? "bg-accent" : "bg-line"}`}
            />
          ))}
        </ol>
        <WorkNote job={job} box={box} sheet={kept} />
        <OutboxNote outbox={outbox} steps={sheet.steps} />
        {act.isError && <Failure error={act.error} onRetry={changed} retry="look at the sheet again" />}
        {!sheet.stopped && !current && !outbox.away && (
          <p role="status" className="text-soft text-[17px]">
            The clerk is writing down what was entered …
          </p>
        )}
        {sheet.stopped ? (
          <div className="border-error space-y-3 rounded-[4px] border-2 p-4">
            <h2 className="text-error text-xl">The sheet is stopped</h2>
            <p className="text-[17px]">{sheet.stopped.reason}</p>
            <StoppedPart box={box} stopped={sheet.stopped} onDo={(deed) => act.mutate(deed)} />
          </div>
        ) : (
          current && (
            <>
              {open.length > 1 && (
                <details className="text-[15px]">
                  <summary className="cursor-pointer">
                    {open.length} steps may be done now, in any order: take another one
                  </summary>
                  <ul className="mt-2 space-y-1.5">
                    {open.map((step) => (
                      <li key={step.id}>
                        <button
                          type="button"
                          aria-pressed={step.id === current.id}
                          className={`min-h-11 w-full rounded-[4px] border-[1.5px] px-2 py-1 text-left ${step.id === current.id ? "border-base-content font-semibold" : "border-edge"}`}
                          onClick={() => choose(step.id)}
                        >
                          {step.title}
                        </button>
                      </li>
                    ))}
                  </ul>
                </details>
              )}
              {gateWaits ? (
                <p className="border-warning border-l-4 pl-3 text-[17px]">
                  {current.title}: entered, and on its way. A gate opens only when the clerk has it; wait for
                  the network before going on.
                </p>
              ) : (
                <StepForm
                  key={current.id}
                  step={nearestFirst(current, box)}
                  labels={Object.fromEntries(job.boxes.map((b) => [b.id, b.label]))}
                  here={box}
                  busy={false}
                  onMeasure={(item, value) => outbox.put({ do: "measure", stepId: current.id, item, value })}
                  onTick={(item, on) => outbox.put({ do: "tick", stepId: current.id, item, on })}
                  onEnter={(confirmed, readings, note) =>
                    outbox.put({ do: "enter", stepId: current.id, confirmed, readings, note })
                  }
                  onSkip={(reason) => outbox.put({ do: "skip", stepId: current.id, reason })}
                  onLive={(text) => act.mutate(() => api.stopRunSheet(box, { reason: text }))}
                />
              )}
              {(current.id === "label" || current.id === "final-tests") && <Photos box={box} />}
            </>
          )
        )}
        <LocksPart box={box} sheet={sheet} onChanged={changed} />
        {!sheet.stopped && (
          <div className="border-line flex flex-wrap gap-2 border-t pt-3">
            {asking === "stop" && (
              <ReasonForm
                label="What was found"
                button="stop the sheet"
                onGive={(reason) => act.mutate(() => api.stopRunSheet(box, { reason }))}
              />
            )}
            {asking === "otherwise" && (
              <ReasonForm
                label="What is otherwise than drawn"
                button="stop, and trace the box again"
                onGive={(reason) => act.mutate(() => api.foundOtherwise(box, reason))}
              />
            )}
            {!asking && (
              <>
                <button type="button" className="btn btn-sm btn-outline" onClick={() => ask("stop")}>
                  something is not as it should be
                </button>
                <button type="button" className="btn btn-sm btn-outline" onClick={() => ask("otherwise")}>
                  the box is otherwise than drawn
                </button>
                <button
                  type="button"
                  className="btn btn-sm btn-outline"
                  onClick={() => act.mutate(() => api.setRunSheetAside(box, kept.version))}
                >
                  set the sheet aside
                </button>
              </>
            )}
          </div>
        )}
      </div>
    </SheetLayout>
  );
}

/** A work over several boxes has one sheet, whichever of them somebody stands at. */
function WorkNote({ job, box, sheet }: { job: Schemas["JobView"]; box: string; sheet: Sheet }) {
  const others = sheet.opens.filter((id) => id !== box);
  if (others.length === 0) {
    return null;
  }
  return (
    <p className="border-line border-l-4 pl-3 text-[15px]">
      One work opens {labelsOf(job, sheet.opens)}. What is here stands first; what is elsewhere can be done
      there by somebody else:{" "}
      {others.map((id) => (
        <Link
          key={id}
          className="text-primary mr-2 inline-flex min-h-6 items-center underline"
          to={`/jobs/${job.id}/boxes/${id}/fit`}
        >
          {job.boxes.find((b) => b.id === id)?.label}
        </Link>
      ))}
    </p>
  );
}

/** What the sheet did not take, with who tried. */
function Refusals({ sheet }: { sheet: Sheet }) {
  if (sheet.refusals.length === 0) {
    return null;
  }
  return (
    <details className="mt-4 text-[13.5px]">
      <summary className="cursor-pointer">{sheet.refusals.length} entries were refused</summary>
      <ul className="mt-1 space-y-1">
        {sheet.refusals.map((refusal) => (
          <li key={refusal.when + refusal.stepId}>
            {refusal.who}, {moment(refusal.when)}: {refusal.why}
          </li>
        ))}
      </ul>
    </details>
  );
}
