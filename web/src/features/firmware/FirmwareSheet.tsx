import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, firmwareOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { Mark } from "../../ui/Mark";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { HousePages } from "../house/HousePages";
import { MarginNotes } from "../job/MarginNotes";
import { SheetLayout } from "../job/SheetLayout";
import { ForLeads } from "../session/ForLeads";
import { KeepRelease } from "./KeepRelease";
import { Sideways } from "../../ui/Sideways";

type Update = Schemas["UpdateView"];

/** Firmware of the house: what is due, the roll-out that is on its way, and what happened. */
export function FirmwareSheet({ job }: { job: Schemas["JobView"] }) {
  const firmware = useQuery(firmwareOptions(job.id));
  if (firmware.isPending) {
    return <Waiting what="the firmware" />;
  }
  const view = firmware.data;
  const [latest, ...earlier] = view?.rollouts ?? [];
  const running = latest && latest.state !== "DONE";
  return (
    <SheetLayout
      title="Firmware"
      detail={<HousePages job={job.id} page="/firmware" />}
      margin={
        <MarginNotes
          findings={latest?.findings ?? []}
          empty="No module refused its firmware in the last roll-out."
        />
      }
      noteCount={latest?.findings.length ?? 0}
    >
      {firmware.isError && <Failure error={firmware.error} onRetry={() => firmware.refetch()} />}
      {view && !running && <Due job={job.id} due={view.due} policy={view.policy} />}
      {latest && <RolloutPart job={job.id} rollout={latest} />}
      {earlier.length > 0 && (
        <details className="mb-4">
          <summary className="cursor-pointer">
            {earlier.length} earlier roll-out{earlier.length > 1 ? "s" : ""}
          </summary>
          {earlier.map((rollout) => (
            <RolloutPart key={rollout.id} job={job.id} rollout={rollout} />
          ))}
        </details>
      )}
      {view && <Kept releases={view.releases} job={job.id} />}
    </SheetLayout>
  );
}

/** What would be done now, and under which policy. */
function Due({ job, due, policy }: { job: string; due: Schemas["DueView"]; policy: Schemas["PolicyEntry"] }) {
  const queries = useQueryClient();
  const [batch, setBatch] = useState(String(policy.batch));
  const [tries, setTries] = useState(String(policy.tries));
  const [stopAfter, setStopAfter] = useState(String(policy.stopAfter));
  const [downgrade, setDowngrade] = useState("");
  const begin = useMutation({
    mutationFn: () =>
      api.beginRollout(job, {
        batch: Number(batch),
        tries: Number(tries),
        stopAfter: Number(stopAfter),
        downgrade: downgrade.trim() || undefined,
      }),
    onSuccess: (view) => queries.setQueryData(firmwareOptions(job).queryKey, view),
  });
  const count = due.waves.flat().length;
  return (
    <section aria-label="due" className="mb-5">
      <h2 className="mb-1 text-[17px]">Due</h2>
      {count === 0 && (
        <p className="text-soft mb-2">
          Nothing is due: every module that is known in its network has the newest stable version that is
          kept, or a newer one.
        </p>
      )}
      <p className={count === 0 ? "hidden" : "mb-2"}>
        {count} module{count > 1 ? "s" : ""}, about {due.minutes} min. One of each kind first; then in
        batches, from near to far, those that pass nothing on last. None on a circuit that is being worked on.
      </p>
      <Waves waves={due.waves} />
      {due.left.length > 0 && (
        <p className="text-soft mt-2 text-[13.5px]">
          Left as they are: {due.left.map((l) => `${l.place} (${l.reason})`).join("; ")}
        </p>
      )}
      <form
        className="mt-3 flex flex-wrap items-end gap-3"
        aria-label="policy"
        onSubmit={(event: FormEvent) => {
          event.preventDefault();
          begin.mutate();
        }}
      >
        <TextField label="At once, modules" value={batch} onChange={setBatch} className="w-32" />
        <TextField label="Tries for each" value={tries} onChange={setTries} className="w-32" />
        <TextField label="Stop after failures" value={stopAfter} onChange={setStopAfter} className="w-36" />
        <TextField
          label="Why versions may go back"
          value={downgrade}
          onChange={setDowngrade}
          className="w-56"
        />
        <button type="submit" className="btn btn-sm btn-primary" disabled={begin.isPending}>
          begin the roll-out
        </button>
      </form>
      {begin.isError && <Failure error={begin.error} />}
    </section>
  );
}

const STATUS: Record<Update["status"], { word: string; kind: "OK" | "STOP" | "HOLD" | "NOTE" }> = {
  WAITING: { word: "waits", kind: "NOTE" },
  STARTED: { word: "receives", kind: "NOTE" },
  VERIFIED: { word: "done", kind: "OK" },
  MARKED: { word: "did not take it", kind: "STOP" },
  HELD: { word: "held back", kind: "HOLD" },
};

function Waves({ waves }: { waves: Update[][] }) {
  return (
    <ol className="grid gap-3 sm:grid-cols-[repeat(auto-fill,minmax(270px,1fr))]">
      {waves.map((wave, i) => (
        <li key={wave[0]?.unit} className="border-line rounded-[4px] border-[1.5px] p-2.5">
          <h3 className="text-soft mb-1 text-[13px]">{i === 0 ? "first of each kind" : `batch ${i}`}</h3>
          <ul className="space-y-1">
            {wave.map((update) => (
              <li key={update.unit} className="flex items-center gap-2 text-[14px]">
                <Mark kind={STATUS[update.status].kind} size={15} />
                <span className="min-w-0 flex-1">
                  <span className="block truncate">{update.place}</span>
                  <span className="text-soft font-mono block text-[12px]">
                    {update.kind} {update.from ?? "?"} → {update.to}
                  </span>
                </span>
                <span className="text-soft text-[12.5px]">{STATUS[update.status].word}</span>
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ol>
  );
}

const STATE: Record<string, string> = {
  RUNNING: "on its way",
  HALTED: "halted",
  STOPPED: "stopped, somebody has to look",
  DONE: "done",
};

function RolloutPart({ job, rollout }: { job: string; rollout: Schemas["RolloutView"] }) {
  const queries = useQueryClient();
  const act = useMutation({
    mutationFn: (deed: (id: string) => Promise<Schemas["FirmwareView"]>) => deed(rollout.id),
    onSuccess: (view) => queries.setQueryData(firmwareOptions(job).queryKey, view),
  });
  const running = rollout.state === "RUNNING";
  return (
    <section aria-label="roll-out" className="mb-5">
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h2 className="text-[17px]">Roll-out, {STATE[rollout.state]}</h2>
        <span className="text-soft text-[14px]">
          {rollout.madeBy}, {moment(rollout.madeAt)}
        </span>
        <span className="flex-1" />
        {running && (
          <button
            type="button"
            className="btn btn-sm btn-outline"
            onClick={() => act.mutate(api.haltRollout)}
          >
            halt
          </button>
        )}
        {(rollout.state === "STOPPED" || rollout.state === "HALTED") && (
          <>
            <button
              type="button"
              className="btn btn-sm btn-primary"
              onClick={() => act.mutate(api.goOnWithRollout)}
            >
              {rollout.state === "STOPPED" ? "I have looked, go on" : "go on"}
            </button>
            <button
              type="button"
              className="btn btn-sm btn-outline"
              onClick={() => act.mutate(api.endRollout)}
            >
              end it here
            </button>
          </>
        )}
      </div>
      <div className="mb-2 flex items-center gap-3">
        <progress
          className="progress progress-primary w-full max-w-md"
          value={rollout.done}
          max={rollout.all}
          aria-label="modules done"
        />
        <span className="font-mono text-[14px]">
          {rollout.done} of {rollout.all}
        </span>
      </div>
      {rollout.words && rollout.state !== "DONE" && <p className="mb-2">{rollout.words}</p>}
      <Waves waves={rollout.waves} />
      {rollout.left.length > 0 && (
        <p className="text-soft mt-2 text-[13.5px]">
          Left as they are: {rollout.left.map((l) => `${l.place} (${l.reason})`).join("; ")}
        </p>
      )}
      <details className="mt-2">
        <summary className="text-soft cursor-pointer text-[14px]">
          {rollout.log.length} entries in the log
        </summary>
        <ol className="font-mono mt-1 text-[12.5px]">
          {rollout.log.map((line) => (
            <li key={line.when + line.words}>
              {moment(line.when)} {line.words}
            </li>
          ))}
        </ol>
      </details>
      {act.isError && <Failure error={act.error} />}
    </section>
  );
}

function Kept({ releases, job }: { releases: Schemas["ReleaseView"][]; job: string }) {
  return (
    <section aria-label="firmware that is kept">
      <h2 className="mb-1 text-[17px]">Kept</h2>
      {releases.length > 0 && (
        <Sideways label="files">
          <table className="table-sm table">
            <thead>
              <tr>
                <th>module</th>
                <th>version</th>
                <th>features</th>
                <th>notes</th>
                <th>SHA-256</th>
              </tr>
            </thead>
            <tbody>
              {releases.map((release) => (
                <tr key={release.kind + release.version}>
                  <td>{release.kind}</td>
                  <td className="font-mono">{release.version}</td>
                  <td>{release.features.join(", ")}</td>
                  <td>{release.notes}</td>
                  <td className="font-mono" title={release.sha256}>
                    {release.sha256.slice(0, 12)}…
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Sideways>
      )}
      <ForLeads>
        <KeepRelease job={job} />
      </ForLeads>
    </section>
  );
}
