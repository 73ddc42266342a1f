import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Schemas } from "../../api/transport";
import { api, joinOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { Waiting } from "../../ui/Waiting";
import { HousePages } from "../house/HousePages";
import { MarginNotes } from "../job/MarginNotes";
import { SheetLayout } from "../job/SheetLayout";
import { NetworkPart } from "./NetworkPart";
import { StandInPart } from "./StandInPart";

/** The networks of the house: who is in, who waits, and which is which. With a box, only its modules. */
export function JoinSheet({ job, box }: { job: Schemas["JobView"]; box?: string }) {
  const queries = useQueryClient();
  const join = useQuery(joinOptions(job.id));
  const inventory = useMutation({
    mutationFn: () => api.takeInventory(job.id),
    onSuccess: (view) => queries.setQueryData(joinOptions(job.id).queryKey, view),
  });
  if (join.isPending) {
    return <Waiting what="the networks" />;
  }
  const view = join.data;
  const label = job.boxes.find((b) => b.id === box)?.label;
  const devices = view?.networks.flatMap((network) => network.devices) ?? [];
  const waiting = view?.networks.flatMap((network) => network.waiting) ?? [];
  const unknown = devices.filter((device) => !device.unit).length;
  return (
    <SheetLayout
      title={label ? `Join, ${label}` : "Join"}
      detail={box ? "modules of this box" : <HousePages job={job.id} page="/join" />}
      actions={
        <span className="flex flex-wrap items-baseline gap-3">
          <span className="font-mono">
            {devices.length - unknown} known, {unknown} to be told apart, {waiting.length} waiting
          </span>
          {view?.connected && (
            <button
              type="button"
              className="btn btn-sm btn-outline"
              disabled={inventory.isPending}
              onClick={() => inventory.mutate()}
            >
              {inventory.isPending ? "asking…" : "ask who is there"}
            </button>
          )}
        </span>
      }
      margin={
        view && (
          <MarginNotes
            findings={view.findings}
            empty="Nothing is found about the devices that are in so far."
          />
        )
      }
      noteCount={view?.findings.length ?? 0}
    >
      {join.isError && <Failure error={join.error} onRetry={() => join.refetch()} />}
      {inventory.isError && <Failure error={inventory.error} />}
      {view && !view.connected && (
        <p className="border-warning mb-4 border-l-4 pl-3">
          No network of this house is connected. Build the stand-in house below and rehearse, or name the
          broker of the house when the application is started.
        </p>
      )}
      {view?.networks.map((network) => (
        <NetworkPart
          key={network.protocol}
          job={job.id}
          network={network}
          box={box}
          connected={view.connected}
          ahead={Date.parse(view.now) - join.dataUpdatedAt}
        />
      ))}
      {view?.networks.length === 0 && (
        <p className="text-soft mb-4">
          No module of this house is on the bench yet, so nothing waits to join.
        </p>
      )}
      {view && <WiredLinks links={view.links.filter((link) => !box || link.box === box)} />}
      {view && view.runs.length > 0 && <Runs runs={view.runs} />}
      <StandInPart job={job.id} />
    </SheetLayout>
  );
}

const STATES: Record<Schemas["WiredLinkView"]["state"], string> = {
  BOUND: "bound, and read back",
  NOT_BOUND: "not bound yet: set the device up again",
  WAITS: "waits: not both are in",
  HUB: "carried by the hub",
};

/** Links that the wiring needs: without them a switch does nothing. */
export function WiredLinks({ links }: { links: Schemas["WiredLinkView"][] }) {
  if (links.length === 0) {
    return null;
  }
  const open = links.filter((link) => link.state === "WAITS" || link.state === "NOT_BOUND").length;
  return (
    <section className="mb-5" aria-label="links that the wiring needs">
      <h2 className="mb-1 text-[17px]">
        Links that the wiring needs
        <span className="text-soft ml-3 text-[14px]">
          {open > 0 ? `${open} of ${links.length} not there yet` : "all there"}
        </span>
      </h2>
      <ul className="space-y-1.5">
        {links.map((link) => (
          <li
            key={link.id}
            className={`border-l-4 pl-3 text-[15px] ${link.state === "NOT_BOUND" ? "border-error" : link.state === "WAITS" ? "border-warning" : "border-success"}`}
          >
            {link.from} → {link.to}
            <span className="text-soft block text-[14px]">
              {link.way}, because {link.reason} · {STATES[link.state]}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Runs({ runs }: { runs: Schemas["JoinRunView"][] }) {
  return (
    <section className="mb-5" aria-label="let in together">
      <h2 className="mb-1 text-[17px]">Let in together</h2>
      <ul className="space-y-2">
        {runs.map((run) => (
          <li key={run.begunAt} className="border-line border-b pb-2 text-[14px]">
            {run.expected} by their codes, {run.protocol}
            {run.endedAt ? "" : ": at work…"}
            {run.endedAt && run.findings.length === 0 && ": all came in, were named and read back"}
            <ul className="mt-1 list-disc pl-5">
              {run.findings.map((finding) => (
                <li key={finding.code + finding.subject + finding.facts}>
                  {finding.reason} <span className="text-soft">{finding.remedies[0]?.text}</span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}
