import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { TriangleAlert } from "lucide-react";
import { useEffect, useRef } from "react";
import { Link, useParams } from "react-router";
import type { Schemas } from "../../api/transport";
import { api, practiceWallOptions, practiceBookOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { Waiting } from "../../ui/Waiting";
import { TopBar } from "../job/TopBar";
import { Breakers } from "./Breakers";
import { Choosing } from "./Choosing";
import { FindingOut } from "./FindingOut";
import { MarksSheet } from "./MarksSheet";
import { ReportFault } from "./ReportFault";
import { WiringUp } from "./WiringUp";

export type Wall = Schemas["PracticeView"];
export type Deed = Schemas["DeedEntry"];
/** Does something at the wall. */
export type Act = (deed: Deed) => void;

const PHASES: { phase: Wall["phase"]; words: string }[] = [
  { phase: "FIND_OUT", words: "find out" },
  { phase: "CHOOSE", words: "choose" },
  { phase: "WIRE", words: "wire" },
  { phase: "DONE", words: "marks" },
];

/** Deeds after which the clerk works out how it would have been done. */
const SLOW: Deed["kind"][] = ["FINISH", "REPORT", "CHOOSE"];

/** One practice wall from the locked breaker to the marks. */
export function PracticePage() {
  const run = useParams().run ?? "";
  const wall = useQuery(practiceWallOptions(run));
  const sheet = useRef<HTMLElement>(null);
  const phase = wall.data?.phase;
  useEffect(() => {
    // Each part of the work begins at its top.
    if (phase && sheet.current) {
      sheet.current.scrollTop = 0;
    }
  }, [phase]);
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main ref={sheet} className="flex-1 overflow-y-auto p-4 sm:p-5">
        {wall.isPending && <Waiting what="the wall" />}
        {wall.isError && <Failure error={wall.error} onRetry={() => wall.refetch()} />}
        {wall.data && <AtWall wall={wall.data} />}
      </main>
    </div>
  );
}

function AtWall({ wall }: { wall: Wall }) {
  const queries = useQueryClient();
  const { queryKey } = practiceWallOptions(wall.id);
  const deed = useMutation({
    // One after the other: a quick hand must not lose a deed.
    scope: { id: wall.id },
    mutationFn: (next: Deed) =>
      api.actAtWall(wall.id, { after: queries.getQueryData(queryKey)?.deeds ?? wall.deeds, deed: next }),
    onSuccess: (now) => {
      queries.setQueryData(queryKey, now);
      if (now.phase === "DONE") {
        queries.invalidateQueries({ queryKey: practiceBookOptions.queryKey });
      }
    },
  });
  const act: Act = (next) => deed.mutate(next);
  const last = wall.log.at(-1);
  const reload = () => queries.invalidateQueries({ queryKey: practiceWallOptions(wall.id).queryKey });

  return (
    <div className="mx-auto max-w-6xl">
      <div className="mb-3 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-xl">{wall.label}</h1>
        <span className="text-soft font-mono text-sm">wall {wall.seed}</span>
        <ol className="flex gap-1 text-sm" aria-label="how far">
          {PHASES.map(({ phase, words }) => (
            <li
              key={phase}
              aria-current={phase === wall.phase ? "step" : undefined}
              className={
                phase === wall.phase ? "border-primary border-b-2 px-1.5 font-semibold" : "text-soft px-1.5"
              }
            >
              {words}
            </li>
          ))}
        </ol>
        <Link to="/practice" className="link ml-auto text-sm">
          all levels
        </Link>
      </div>
      {wall.phase !== "DONE" && <p className="mb-3 max-w-[85ch]">{wall.task}</p>}
      {deed.isError && <Failure error={deed.error} onRetry={reload} retry="load the wall as it is now" />}
      {wall.phase === "DONE" ? (
        <MarksSheet wall={wall} />
      ) : (
        <div className="grid gap-5 lg:grid-cols-[minmax(0,1fr)_300px]">
          <div className="min-w-0">
            <p
              role="status"
              className={`mb-3 flex min-h-[44px] items-center gap-2 rounded-[4px] border px-3 py-2 ${
                last?.alarming ? "border-error text-error border-2 font-semibold" : "border-line bg-base-100"
              }`}
            >
              {last?.alarming && <TriangleAlert size={18} aria-hidden className="shrink-0" />}
              {deed.isPending && SLOW.includes(deed.variables.kind)
                ? "the clerk looks at what was done …"
                : (last?.words ?? "Nothing is isolated. Begin at the breakers.")}
            </p>
            {wall.phase === "FIND_OUT" && <FindingOut wall={wall} act={act} />}
            {wall.phase === "CHOOSE" && <Choosing wall={wall} act={act} />}
            {wall.phase === "WIRE" && <WiringUp wall={wall} act={act} />}
          </div>
          <aside className="order-first space-y-5 lg:order-none">
            <Breakers wall={wall} act={act} />
            <ReportFault wall={wall} act={act} />
            <Log wall={wall} />
          </aside>
        </div>
      )}
    </div>
  );
}

function Log({ wall }: { wall: Wall }) {
  return (
    <section aria-label="What was done" className="hidden lg:block">
      <h2 className="mb-1 text-[15px]">
        What was done{" "}
        <span className="text-soft text-sm font-normal">
          {wall.tests} {wall.tests === 1 ? "test" : "tests"}, {wall.unsafe} unsafe
        </span>
      </h2>
      <ol className="max-h-[46vh] space-y-1 overflow-y-auto text-sm" reversed>
        {wall.log
          .map((line, number) => ({ ...line, number }))
          .reverse()
          .map((line) => (
            <li key={line.number} className={line.alarming ? "text-error font-semibold" : ""}>
              {line.words}
            </li>
          ))}
      </ol>
    </section>
  );
}
