import { useMutation, useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useBoxChanged } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api, traceOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { useKeys } from "../../ui/useKeys";
import { Waiting } from "../../ui/Waiting";
import { SheetLayout } from "../job/SheetLayout";
import { CoreTable } from "./CoreTable";
import { NextTestCard } from "./NextTestCard";
import { OtherReading } from "./OtherReading";
import { OpenFindings } from "./OpenFindings";
import { ReadingList } from "./ReadingList";

type Trace = Schemas["TraceView"];
type Entry = Schemas["ReadingEntry"];

/** Which conductor is what: the next test, what it leaves, and what every core can still be. */
export function TraceSheet({ job, box }: { job: Schemas["JobView"]; box: string }) {
  const trace = useQuery(traceOptions(box));
  if (trace.isPending) {
    return <Waiting what="the cores" />;
  }
  if (trace.isError && !trace.data) {
    return (
      <div className="p-6">
        <Failure error={trace.error} onRetry={() => trace.refetch()} />
      </div>
    );
  }
  return <Traced job={job} box={box} trace={trace.data} />;
}

function Traced({ job, box, trace }: { job: Schemas["JobView"]; box: string; trace: Trace }) {
  const changed = useBoxChanged(job.id, box);
  const keep = useMutation({ mutationFn: (entry: Entry) => api.keepReading(box, entry), onSuccess: changed });
  const takeBack = useMutation({
    mutationFn: (id: string) => api.takeReadingBack(box, id),
    onSuccess: changed,
  });
  const write = useMutation({ mutationFn: () => api.writeTrace(box), onSuccess: changed });
  const { next } = trace;
  const answer = (value: boolean) => next && !keep.isPending && keep.mutate({ ...next.reading, value });
  const keys = useMemo(
    () => ({
      y: () => answer(true),
      n: () => answer(false),
    }),
    // biome-ignore lint/correctness/useExhaustiveDependencies: the answer changes with the test it is to
    [answer],
  );
  useKeys(keys);
  const known = job.boxes.find((b) => b.id === box);
  const room = job.rooms.find((r) => r.id === known?.roomId)?.name ?? "";
  const failed = keep.error ?? takeBack.error ?? write.error;

  return (
    <SheetLayout
      title={`${room}, ${known?.label ?? ""}`}
      detail={detail(trace)}
      margin={
        <div className="space-y-6">
          <ReadingList readings={trace.readings} stale={trace.staleReadings} onTakeBack={takeBack.mutate} />
          {trace.kinds.length > 0 && (
            <section>
              <h3 className="mb-1 text-[15px]">It can still be</h3>
              <ul className="space-y-1 text-sm">
                {trace.kinds.map((kind) => (
                  <li key={kind.words}>
                    {kind.words}
                    {kind.ways > 1 && <span className="text-soft"> in {kind.ways} ways</span>}
                    {trace.kinds.length > 1 && (
                      <span className="text-soft block text-[13px]">
                        {Math.round(kind.support * 100)} % of colours and notes speak for it
                      </span>
                    )}
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
      }
      noteCount={trace.readings.length}
    >
      {failed && <Failure error={failed} onRetry={changed} retry="load the readings as they are now" />}
      <OpenFindings job={job.id} box={box} />
      {trace.obstacles.length > 0 ? (
        <section className="max-w-[70ch] space-y-2">
          <p className="font-semibold">These boxes can't be traced as they are surveyed.</p>
          <ul className="list-disc pl-5">
            {trace.obstacles.map((obstacle) => (
              <li key={obstacle}>{obstacle}</li>
            ))}
          </ul>
        </section>
      ) : (
        <>
          {next && <NextTestCard next={next} busy={keep.isPending} onAnswer={answer} />}
          {!next && <Standing trace={trace} />}
          {trace.writable && trace.possible > 0 && (
            <div className="mt-3 flex flex-wrap items-center gap-3">
              <button
                type="button"
                className={`btn ${next ? "btn-outline" : "btn-primary"}`}
                disabled={write.isPending}
                onClick={() => write.mutate()}
              >
                write what is certain into the survey
              </button>
              <span className="text-soft text-sm">The readings stay as its evidence.</span>
            </div>
          )}
          <CoreTable boxes={trace.boxes} touched={touched(next)} />
          <OtherReading boxes={trace.boxes} busy={keep.isPending} onRead={(entry) => keep.mutate(entry)} />
        </>
      )}
    </SheetLayout>
  );
}

/** Cores that the next test touches. */
function touched(next: Trace["next"]): string[] {
  return [next?.reading.core, next?.reading.farCore].flatMap((core) => (core ? [core] : []));
}

function detail(trace: Trace): string {
  if (trace.contradictory) {
    return "readings contradict each other";
  }
  if (trace.done) {
    return "every core is certain";
  }
  return trace.possible === 1 ? "1 possibility" : `${trace.possible} possibilities`;
}

/** What stands when there is no next test. */
function Standing({ trace }: { trace: Trace }) {
  if (trace.contradictory) {
    return (
      <section className="border-error max-w-[75ch] rounded-[4px] border-[1.5px] p-4">
        <h2 className="text-error mb-1 text-[17px]">These readings cannot hold together</h2>
        <p>
          The ones marked in the margin contradict each other. Repeat one of them, and take the wrong one
          back. Nothing is averaged away.
        </p>
        {trace.nearest && <p className="text-soft mt-2 text-sm">{trace.nearest}</p>}
      </section>
    );
  }
  if (trace.done) {
    return (
      <section className="border-success max-w-[75ch] rounded-[4px] border-[1.5px] p-4">
        <h2 className="mb-1 text-[17px]">Every core is certain</h2>
        <p>
          {trace.readings.length === 0
            ? "What is seen leaves one answer only. A reading can confirm it."
            : "Nothing more needs to be measured to plan this box."}
        </p>
      </section>
    );
  }
  if (trace.possible === 0) {
    return (
      <section className="border-warning max-w-[75ch] rounded-[4px] border-[1.5px] p-4">
        <h2 className="mb-1 text-[17px]">No known circuit fits what is seen</h2>
        <p>Look again where each core ends, and whether every box of the circuit is surveyed.</p>
      </section>
    );
  }
  return <p>No reading tells what remains apart. What is certain stands below.</p>;
}
