import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api, houseChoicesOptions } from "./api";
import { useLeads } from "../session/api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { Waiting } from "../../ui/Waiting";
import { MarginNotes } from "../job/MarginNotes";
import { SheetLayout } from "../job/SheetLayout";
import { ChoicePlates } from "./ChoicePlates";
import { Compare } from "./Compare";
import { HousePages } from "./HousePages";
import { WeightsForm } from "./WeightsForm";

type Choice = Schemas["ChoiceEntry"];
type Pin = Schemas["PinEntry"];

/** One choice of modules for every position at once: begin, look, pin, compare, take over. */
export function HouseMatchSheet({ job }: { job: Schemas["JobView"] }) {
  const leads = useLeads();
  const choices = useQuery({ ...houseChoicesOptions(job.id), enabled: leads });
  const queries = useQueryClient();
  const [params, setParams] = useSearchParams();
  const [pins, setPins] = useState<Pin[] | null>(null);
  const again = () => queries.invalidateQueries(about({ job: job.id }));
  const list = choices.data ?? [];
  const shown = list.find((c) => c.id === params.get("choice")) ?? list[0];
  const kept = pins ?? shown?.pins ?? [];
  const begin = useMutation({
    mutationFn: () => api.chooseHouse(job.id, { name: `Choice ${list.length + 1}`, pins: kept }),
    onSuccess: async (begun) => {
      setPins(null);
      setParams({ choice: begun.id });
      await again();
    },
  });
  if (!leads) {
    return (
      <SheetLayout title="Match the whole house" detail={<HousePages job={job.id} page="/match" />}>
        <p>
          A lead chooses for the whole house, by prices among other things. What was chosen stands at each
          box.
        </p>
      </SheetLayout>
    );
  }
  if (choices.isPending) {
    return <Waiting what="the choices" />;
  }
  const running = list.find((c) => c.state === "RUNNING");
  const pin = (entry: Pin) => setPins([...kept.filter((p) => p.unit !== entry.unit), entry]);
  return (
    <SheetLayout
      title="Match the whole house"
      detail={<HousePages job={job.id} page="/match" />}
      noteCount={shown?.outcome?.radio.length ?? 0}
      margin={shown?.outcome && <Notes outcome={shown.outcome} />}
    >
      {choices.isError && <Failure error={choices.error} onRetry={() => choices.refetch()} />}
      <WeightsForm job={job.id} />
      <div className="border-line my-4 flex flex-wrap items-center gap-3 border-b pb-4">
        <button
          type="button"
          className={`btn btn-sm ${shown && pins === null ? "btn-outline" : "btn-primary"}`}
          onClick={() => begin.mutate()}
          disabled={begin.isPending || running !== undefined}
        >
          {list.length === 0 ? "choose for the whole house" : "choose again"}
        </button>
        {pins !== null && (
          <span className="text-warning font-semibold">
            {kept.length} {kept.length === 1 ? "pin" : "pins"} to keep: choose again to see what follows.
          </span>
        )}
        {running && <Running choice={running} onStop={() => api.stopChoice(running.id).then(again)} />}
        {begin.isError && <Failure error={begin.error} />}
      </div>
      {list.length === 0 && (
        <p>
          Nothing is chosen yet. The clerk judges every module at every position, and chooses for all of them
          at once by the weights above.
        </p>
      )}
      {list.length > 1 && <ChoiceList list={list} shown={shown} onShow={(id) => setParams({ choice: id })} />}
      {shown && shown.state !== "RUNNING" && !shown.outcome && (
        <p className="font-semibold">
          {shown.name}: {shown.words}.
        </p>
      )}
      {shown?.outcome && (
        <>
          <Totals outcome={shown.outcome} />
          <TakeOver job={job.id} choice={shown} />
          <ChoicePlates
            key={shown.id}
            job={job}
            choice={shown}
            outcome={shown.outcome}
            pins={kept}
            onPin={pin}
            onUnpin={(unit) => setPins(kept.filter((p) => p.unit !== unit))}
          />
          {list.length > 1 && <Compare list={list} shown={shown} />}
        </>
      )}
    </SheetLayout>
  );
}

function Running({ choice, onStop }: { choice: Choice; onStop: () => void }) {
  return (
    <span role="status" className="flex items-center gap-2">
      <span className="loading loading-dots loading-sm" aria-hidden="true" />
      {choice.words}
      <button type="button" className="btn btn-xs btn-outline" onClick={onStop}>
        stop
      </button>
    </span>
  );
}

type ListProps = { list: Choice[]; shown: Choice | undefined; onShow: (id: string) => void };

function ChoiceList({ list, shown, onShow }: ListProps) {
  return (
    <fieldset className="join mb-4 flex-wrap" aria-label="choices made">
      {list.slice(0, 6).map((choice) => (
        <button
          key={choice.id}
          type="button"
          aria-pressed={choice === shown}
          className={`btn btn-sm join-item ${choice === shown ? "btn-neutral" : "btn-outline"}`}
          onClick={() => onShow(choice.id)}
        >
          {choice.name}
          {choice.outcome && <span className="font-mono">{choice.outcome.total.toFixed(2)}</span>}
          {choice.stale && <span className="text-warning">old</span>}
        </button>
      ))}
    </fieldset>
  );
}

function Totals({ outcome }: { outcome: Schemas["Outcome"] }) {
  const modules = Object.values(outcome.modules).reduce((sum, n) => sum + n, 0);
  return (
    <section aria-label="Totals" className="mb-4">
      <p>
        <b>
          {outcome.units.length - outcome.open.length} of {outcome.units.length} positions
        </b>{" "}
        with {modules} modules of {Object.keys(outcome.modules).length} kinds, {outcome.boxesOpened} boxes to
        open, standby {outcome.standbyWatts}
        {"\u2009"}W
        {outcome.standbyUnknown > 0 && ` and ${outcome.standbyUnknown} modules of which it is not stated`}.{" "}
        {outcome.optimal
          ? "Nothing better exists by these weights: that is proved."
          : `No choice can cost less than ${(outcome.atLeast ?? outcome.total - outcome.gap).toFixed(2)}; this one costs ${outcome.total.toFixed(2)}.`}
      </p>
      <dl
        aria-label="what the choice is weighed by"
        className="mt-2 grid gap-x-8 gap-y-0.5 text-[14px] sm:grid-cols-2 2xl:grid-cols-3"
      >
        {[
          ...outcome.terms.filter((term) => term.amount !== 0),
          { label: "Together", amount: outcome.total },
        ].map((term) => (
          <div key={term.label} className="border-line flex justify-between border-b border-dashed">
            <dt className={term.label === "Together" ? "font-semibold" : ""}>{term.label}</dt>
            <dd className="font-mono">{term.amount.toFixed(2)}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

function TakeOver({ job, choice }: { job: string; choice: Choice }) {
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: () => api.takeChoiceOver(choice.id),
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <div className="mb-4 flex flex-wrap items-center gap-3">
      {choice.stale && (
        <p className="border-warning basis-full border-l-4 pl-3">
          Surveys, wishes or the stock book are otherwise since: choose again before it is taken over.
        </p>
      )}
      <button
        type="button"
        className={`btn btn-sm ${choice.stale ? "btn-outline" : "btn-primary"}`}
        onClick={() => take.mutate()}
        disabled={take.isPending}
        data-job={job}
      >
        take this choice over into the boxes
      </button>
      <span className="text-soft text-sm">
        {choice.name}, begun by {choice.who}, {moment(choice.when)}
      </span>
      {take.data && (
        <p role="status">
          {take.data.taken} boxes have it now.
          {take.data.kept.map((k) => ` ${k.label} keeps what it has: ${k.why}`)}
        </p>
      )}
      {take.isError && <Failure error={take.error} />}
    </div>
  );
}

function Notes({ outcome }: { outcome: Schemas["Outcome"] }) {
  return (
    <div className="space-y-4">
      <MarginNotes
        findings={outcome.radio}
        empty="By the estimate every module has a way to its network. Measure each with the plate on."
      />
      {outcome.mute.length > 0 && (
        <p className="text-sm">Nothing surveyed hangs on: {outcome.mute.join("; ")}.</p>
      )}
      {outcome.brokenPins.map((pin) => (
        <p key={pin.unit} className="border-warning border-l-4 pl-2 text-sm">
          The pin on {pin.module} cannot be kept: no rule lets it go there.
        </p>
      ))}
    </div>
  );
}
