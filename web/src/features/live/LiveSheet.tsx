import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Failure } from "../../ui/Failure";
import { Tabs } from "../../ui/Tabs";
import { Waiting } from "../../ui/Waiting";
import { HousePages } from "../house/HousePages";
import { SheetLayout } from "../job/SheetLayout";
import { ChecksPart } from "./ChecksPart";
import { Faults } from "./Faults";
import { HousePlan } from "./HousePlan";
import { Messages } from "./Messages";
import { Outside } from "./Outside";
import { Rehearsal } from "./Rehearsal";
import { type LiveNow, useLive } from "./useLive";

type Page = "house" | "checks" | "handover" | "outside";
const PAGES: Page[] = ["house", "checks", "handover", "outside"];

/** The planned house, running: flip, let things fail, watch; and checks of it. */
export function LiveSheet({ job }: { job: Schemas["JobView"] }) {
  const [page, setPage] = useState<Page>("house");
  const { view, now, events, stale, change, deed, does } = useLive(job.id);
  if (view.isPending) {
    return <Waiting what="the house" />;
  }
  const start = () => change.mutate(() => api.startLiveHouse(job.id));
  const stop = () => change.mutate(() => api.stopLiveHouse(job.id));
  return (
    <SheetLayout
      title={
        page === "checks" ? "Checks of the house" : page === "handover" ? "Handover, rehearsed" : "Live house"
      }
      detail={<HousePages job={job.id} page="/live" />}
      actions={<Tabs label="Live house" pages={PAGES} page={page} onPage={setPage} />}
      margin={view.data && now && <Faults view={view.data} now={now} does={does} />}
      noteCount={now?.down.length ?? 0}
    >
      {view.isError && <Failure error={view.error} onRetry={() => view.refetch()} />}
      {change.isError && <Failure error={change.error} />}
      {deed.isError && <Failure error={deed.error} />}
      {view.data && page === "house" && (
        <>
          <Standing
            now={now}
            stale={stale}
            busy={change.isPending}
            onStart={start}
            onStop={stop}
            view={view.data}
          />
          {now && (
            <>
              <HousePlan storeys={view.data.storeys} now={now} does={does} />
              <h2 className="mt-5 mb-1 text-[16px]">What happened</h2>
              <Messages events={events} now={now} />
            </>
          )}
        </>
      )}
      {page === "checks" && <ChecksPart job={job.id} />}
      {page === "handover" && <Rehearsal job={job.id} />}
      {view.data && page === "outside" && <Outside job={job.id} view={view.data} />}
    </SheetLayout>
  );
}

function Standing({
  now,
  stale,
  busy,
  view,
  onStart,
  onStop,
}: {
  now?: LiveNow;
  stale: boolean;
  busy: boolean;
  view: Schemas["LiveView"];
  onStart: () => void;
  onStop: () => void;
}) {
  if (!now) {
    return (
      <div className="max-w-xl space-y-3">
        <p>
          {view.devices === 0
            ? "No module is planned in this house yet. Pick modules in Match first."
            : `The house as it is planned: its wiring, ${view.devices} devices set as in Feel, and its rules, talking over a real broker. It is a stand-in; nothing in the real house moves.`}
        </p>
        <button
          type="button"
          className="btn btn-primary"
          disabled={busy || view.devices === 0}
          onClick={onStart}
        >
          {busy ? "putting it in …" : "let the house run"}
        </button>
      </div>
    );
  }
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      <p role="status" className="min-w-0 flex-1 text-[15px]">
        <span className="font-mono">{now.clock.slice(11, 16)}</span>
        <span className="text-soft"> in the house, </span>
        {stale ? (
          <span className="text-error font-semibold">
            no news of it: the broker is away, hands still work
          </span>
        ) : now.down.length > 0 ? (
          <span className="text-error font-semibold">
            {now.down.length === 1 ? "1 part" : `${now.down.length} parts`} down
          </span>
        ) : now.agrees ? (
          <span>the hub takes everything for what it is</span>
        ) : (
          <span className="text-warning">the hub does not know all yet</span>
        )}
      </p>
      <button type="button" className="btn btn-sm btn-outline" disabled={busy} onClick={onStart}>
        start again as planned
      </button>
      <button type="button" className="btn btn-sm btn-outline" disabled={busy} onClick={onStop}>
        stop
      </button>
    </div>
  );
}
