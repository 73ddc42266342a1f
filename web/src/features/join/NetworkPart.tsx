import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, joinOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { DeviceCard } from "./DeviceCard";

type Network = Schemas["NetworkView"];

/** One network: its door with the time it stays open, who is in, and who waits. */
export function NetworkPart({
  job,
  network,
  box,
  connected,
  ahead,
}: {
  job: string;
  network: Network;
  box?: string;
  connected: boolean;
  /** How far the server's clock is ahead of this one, in ms. */
  ahead: number;
}) {
  const devices = network.devices
    .filter((device) => !box || !device.unit || device.box === box)
    .sort((a, b) => Number(Boolean(a.unit)) - Number(Boolean(b.unit)));
  const waiting = network.waiting.filter((module) => !box || module.box === box);
  if (box && waiting.length === 0 && devices.every((device) => !device.unit)) {
    return null;
  }
  return (
    <section className="mb-6" aria-label={`${network.label} network`}>
      <div className="border-base-content mb-2 flex flex-wrap items-center gap-x-4 gap-y-2 border-b-[1.5px] pb-2">
        <h2 className="text-[17px]">{network.label}</h2>
        <span className="text-soft text-[14px]">
          {network.finished
            ? "every device is known for what it is"
            : `${devices.length} in, ${waiting.length} waiting`}
        </span>
        <span className="flex-1" />
        {connected && <Door job={job} network={network} ahead={ahead} />}
      </div>
      {network.conflicts.map((conflict) => (
        <p key={conflict} className="border-error mb-2 border-l-4 pl-3">
          {conflict} Look again; what was seen of a device can be forgotten below.
        </p>
      ))}
      <div className="grid gap-4 md:grid-cols-2">
        <ul aria-label="in the network" className="space-y-2">
          {devices.map((device) => (
            <li key={device.id}>
              <DeviceCard job={job} device={device} waiting={network.waiting} />
            </li>
          ))}
          {devices.length === 0 && <li className="text-soft text-[14px]">Nobody is in yet.</li>}
        </ul>
        <ul aria-label="waiting to join" className="space-y-2">
          {waiting.map((module) => (
            <li key={module.unit}>
              <WaitingModule job={job} module={module} flips={devices.some((device) => !device.unit)} />
            </li>
          ))}
          {waiting.length === 0 && <li className="text-soft text-[14px]">Nobody waits.</li>}
        </ul>
      </div>
    </section>
  );
}

/** Whether the network lets anybody in, and for how long still. */
function Door({ job, network, ahead }: { job: string; network: Network; ahead: number }) {
  const queries = useQueryClient();
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(tick);
  }, []);
  const shown = (view: Schemas["JoinView"]) => queries.setQueryData(joinOptions(job).queryKey, view);
  const open = useMutation({
    mutationFn: (seconds: number) => api.openNetwork(job, { protocol: network.protocol, seconds }),
    onSuccess: shown,
  });
  const close = useMutation({
    mutationFn: () => api.closeNetwork(job, { protocol: network.protocol }),
    onSuccess: shown,
  });
  const together = useMutation({
    mutationFn: () => api.joinTogether(job, { protocol: network.protocol }),
    onSuccess: shown,
  });
  const left = network.closesAt
    ? Math.max(0, Math.round((Date.parse(network.closesAt) - now - ahead) / 1000))
    : 0;
  const failed = open.error ?? close.error ?? together.error;
  return (
    <span className="flex flex-wrap items-center gap-2">
      {left > 0 ? (
        <>
          <span className="bg-warning/25 font-mono rounded-[4px] px-2 py-1" role="timer">
            open, {Math.floor(left / 60)}:{String(left % 60).padStart(2, "0")} left
          </span>
          <button
            type="button"
            className="btn btn-sm btn-outline"
            disabled={open.isPending}
            onClick={() => open.mutate(network.most)}
          >
            extend to {network.most} s
          </button>
          <button
            type="button"
            className="btn btn-sm btn-outline"
            disabled={close.isPending}
            onClick={() => close.mutate()}
          >
            close it
          </button>
        </>
      ) : (
        <>
          <span className="text-soft font-mono">closed</span>
          <button
            type="button"
            className="btn btn-sm btn-primary"
            disabled={open.isPending}
            title={network.source}
            onClick={() => open.mutate(network.usual)}
          >
            open for {network.usual} s
          </button>
          {network.together > 0 && (
            <button
              type="button"
              className="btn btn-sm btn-outline"
              disabled={together.isPending}
              onClick={() => together.mutate()}
            >
              let {network.together} in by their codes
            </button>
          )}
        </>
      )}
      {failed && <Failure error={failed} />}
    </span>
  );
}

/** A module in a wall that no device is known for. */
function WaitingModule({
  job,
  module,
  flips,
}: {
  job: string;
  module: Schemas["WaitingModuleView"];
  flips: boolean;
}) {
  const queries = useQueryClient();
  const flipped = useMutation({
    mutationFn: () => api.flippedAt(job, module.unit),
    onSuccess: (view) => queries.setQueryData(joinOptions(job).queryKey, view),
  });
  return (
    <details className="border-line bg-base-100 rounded-[4px] border-[1.5px] px-3 py-2">
      <summary className="cursor-pointer">
        <span className="font-semibold">{module.place || "no box waits for it"}</span>{" "}
        <span className="text-soft font-mono text-[12.5px]">
          {module.kind} · {module.serial} · {module.hasCode ? "code kept" : "no code kept"}
        </span>
      </summary>
      <ol className="mt-2 list-decimal space-y-1 pl-5 text-[14px]">
        {module.guide.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      {module.guide.shows && (
        <p className="mt-2 text-[14px]">
          While it searches its lamp shows: <strong>{module.guide.shows}</strong>
        </p>
      )}
      <p className="text-soft mt-2 text-[13px]">When it does not come:</p>
      <ul className="text-soft list-disc pl-5 text-[13px]">
        {module.guide.whenNot.map((hint) => (
          <li key={hint}>{hint}</li>
        ))}
      </ul>
      {flips && (
        <button
          type="button"
          className="btn btn-sm btn-outline mt-2"
          disabled={flipped.isPending}
          onClick={() => flipped.mutate()}
        >
          its wall switch was moved just now
        </button>
      )}
      {flipped.isError && <Failure error={flipped.error} />}
    </details>
  );
}
