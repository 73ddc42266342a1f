import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, type Schemas } from "../../api/client";
import { planOptions, runSheetOptions, useBoxChanged } from "../../api/queries";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { Waiting } from "../../ui/Waiting";
import { SheetLayout } from "../job/SheetLayout";
import { ReasonForm } from "./ReasonForm";
import { StepForm } from "./StepForm";
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
  if (sheet.isError) {
    return (
      <div className="p-6">
        <Failure error={sheet.error} onRetry={() => sheet.refetch()} />
      </div>
    );
  }
  const last = sheet.data.sheet;
  if (!last || last.setAside || last.finished) {
    return <NoOpenSheet job={job} box={box} title={title} last={last} />;
  }
  return <OpenSheet key={last.version} job={job} box={box} title={title} sheet={last} />;
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
  sheet,
}: {
  job: Schemas["JobView"];
  box: string;
  title: string;
  sheet: Sheet;
}) {
  const changed = useBoxChanged(job.id, box);
  const [asking, ask] = useState<"stop" | null>(null);
  const enter = useMutation({
    mutationFn: (entry: Omit<Schemas["StepEntry"], "version">) =>
      api.enterStep(box, { version: sheet.version, ...entry }),
    onSuccess: changed,
  });
  const stop = useMutation({
    mutationFn: (reason: string) => api.stopRunSheet(box, { version: sheet.version, reason }),
    onSuccess: changed,
  });
  const resume = useMutation({
    mutationFn: (reason: string) => api.resumeRunSheet(box, { version: sheet.version, reason }),
    onSuccess: changed,
  });
  const aside = useMutation({
    mutationFn: () => api.setRunSheetAside(box, sheet.version),
    onSuccess: changed,
  });
  const current = sheet.steps.find((step) => step.id === sheet.current);
  const failed = enter.error ?? stop.error ?? resume.error ?? aside.error;

  return (
    <SheetLayout
      title={title}
      detail={`step ${Math.min(sheet.done + 1, sheet.steps.length)} of ${sheet.steps.length}`}
      margin={<StepList sheet={sheet} />}
      noteCount={sheet.steps.length - sheet.done}
    >
      <div className="mx-auto flex max-w-xl flex-col gap-4">
        <ol className="flex gap-1" aria-label={`${sheet.done} of ${sheet.steps.length} steps recorded`}>
          {sheet.steps.map((step) => (
            <li
              key={step.id}
              className={`h-1.5 flex-1 rounded-full ${step.done ? "bg-success" : step.id === sheet.current ? "bg-accent" : "bg-line"}`}
            />
          ))}
        </ol>
        {failed && <Failure error={failed} onRetry={changed} retry="look at the sheet again" />}
        {sheet.stopped ? (
          <div className="border-error space-y-3 rounded-[4px] border-2 p-4">
            <h2 className="text-error text-xl">The sheet is stopped</h2>
            <p className="text-[17px]">{sheet.stopped.reason}</p>
            <p className="text-soft text-sm">
              {sheet.stopped.who}, {moment(sheet.stopped.when)}. Treat the box as live. Nothing that was
              proved counts any more: isolation starts over.
            </p>
            <ReasonForm
              label="What was found and put right"
              button="start isolation over"
              onGive={(reason) => resume.mutate(reason)}
            />
          </div>
        ) : (
          current && (
            <StepForm
              step={current}
              busy={enter.isPending}
              onEnter={(confirmed, readings, note) =>
                enter.mutate({ stepId: current.id, confirmed, readings, note })
              }
              onLive={(text) => stop.mutate(text)}
            />
          )
        )}
        {!sheet.stopped && (
          <div className="border-line flex flex-wrap gap-2 border-t pt-3">
            {asking === "stop" ? (
              <ReasonForm
                label="What was found"
                button="stop the sheet"
                onGive={(reason) => stop.mutate(reason)}
              />
            ) : (
              <>
                <button type="button" className="btn btn-sm btn-outline" onClick={() => ask("stop")}>
                  something is not as it should be
                </button>
                <button type="button" className="btn btn-sm btn-outline" onClick={() => aside.mutate()}>
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
