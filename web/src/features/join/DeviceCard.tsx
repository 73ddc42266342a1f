import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, joinOptions, standInOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { Mark } from "../../ui/Mark";

type Device = Schemas["DeviceView"];

/** A device that is in: known for what it is, or to be told apart by what is seen. */
export function DeviceCard({
  job,
  device,
  waiting,
}: {
  job: string;
  device: Device;
  waiting: Schemas["WaitingModuleView"][];
}) {
  const queries = useQueryClient();
  const shown = (view: Schemas["JoinView"]) => {
    queries.setQueryData(joinOptions(job).queryKey, view);
    queries.invalidateQueries({ queryKey: standInOptions(job).queryKey });
  };
  const act = useMutation({
    mutationFn: (deed: () => Promise<Schemas["JoinView"]>) => deed(),
    onSuccess: shown,
  });
  const busy = act.isPending;
  return (
    <article
      aria-label={device.place ?? `unknown ${device.address}`}
      className={`bg-base-100 rounded-[4px] border-[1.5px] px-3 py-2 ${device.unit ? "border-line" : "border-warning"}`}
    >
      <div className="flex items-center gap-2">
        <Mark kind={device.reservation ?? "OK"} />
        <span className="min-w-0 flex-1">
          <span className="block font-semibold">{device.place ?? "Which one is it?"}</span>
          <span className="text-soft font-mono block truncate text-[12.5px]">
            {device.kind} · {device.address} · {device.firmware}
            {device.hops > 0 && ` · ${device.hops} hops`}
          </span>
        </span>
        {device.silent && <span className="text-error text-[13px]">silent</span>}
      </div>
      {!device.unit && (
        <TellApart
          device={device}
          waiting={waiting}
          busy={busy}
          onTurn={(on) => act.mutate(() => api.turnDevice(device.id, { channel: 1, on }))}
          onSeen={(unit, there) => act.mutate(() => api.deviceSeen(device.id, { unit, there }))}
        />
      )}
      {device.unit && (
        <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1.5 text-[13.5px]">
          <button
            type="button"
            className={`btn btn-xs ${device.setUp ? "btn-outline" : "btn-primary"}`}
            disabled={busy}
            onClick={() => act.mutate(() => api.setUpDevice(device.id))}
          >
            {device.setUp ? "set up and read back" : "name it, set it, read it back"}
          </button>
          <LinkButton
            word="box open"
            link={device.open}
            busy={busy}
            onRead={() => act.mutate(() => api.readLink(device.id, false))}
          />
          <LinkButton
            word="cover on"
            link={device.closed}
            busy={busy}
            onRead={() => act.mutate(() => api.readLink(device.id, true))}
          />
          <button
            type="button"
            className="text-soft underline"
            disabled={busy}
            onClick={() => act.mutate(() => api.deviceUnknown(device.id))}
          >
            this is wrong
          </button>
        </div>
      )}
      {device.differences.map((difference) => (
        <p key={difference.key} className="border-warning mt-2 border-l-4 pl-2 text-[13.5px]">
          {difference.key}: written {difference.written}, reads {difference.read ?? "nothing"}
        </p>
      ))}
      {act.isError && <Failure error={act.error} />}
    </article>
  );
}

function TellApart({
  device,
  waiting,
  busy,
  onTurn,
  onSeen,
}: {
  device: Device;
  waiting: Schemas["WaitingModuleView"][];
  busy: boolean;
  onTurn: (on: boolean) => void;
  onSeen: (unit: string, there: boolean) => void;
}) {
  const [on, setOn] = useState(false);
  const candidates = waiting.filter((module) => device.candidates.includes(module.unit));
  return (
    <div className="mt-2 text-[14px]">
      <button
        type="button"
        className="btn btn-sm btn-primary"
        disabled={busy}
        onClick={() => {
          setOn(!on);
          onTurn(!on);
        }}
      >
        switch it {on ? "off" : "on"}
      </button>
      <span className="text-soft ml-2">and look where a lamp changes</span>
      <ul className="mt-2 space-y-1">
        {candidates.map((module) => (
          <li key={module.unit} className="flex flex-wrap items-center gap-2">
            <span className="flex-1">
              {module.place} <span className="text-soft font-mono text-[12.5px]">{module.serial}</span>
            </span>
            <button
              type="button"
              className="btn btn-xs btn-outline"
              disabled={busy}
              onClick={() => onSeen(module.unit, true)}
            >
              it changed here
            </button>
            <button
              type="button"
              className="btn btn-xs btn-outline"
              disabled={busy}
              onClick={() => onSeen(module.unit, false)}
            >
              not here
            </button>
          </li>
        ))}
        {candidates.length === 0 && (
          <li className="text-soft">
            No module of this kind waits for it: it may belong to somebody else, or to a module that is not on
            the bench.
          </li>
        )}
      </ul>
    </div>
  );
}

function LinkButton({
  word,
  link,
  busy,
  onRead,
}: {
  word: string;
  link?: Schemas["LinkView"];
  busy: boolean;
  onRead: () => void;
}) {
  return (
    <button type="button" className="btn btn-xs btn-outline font-normal" disabled={busy} onClick={onRead}>
      {word}: {link ? `${link.figure} ${link.unit}, ${link.words}` : "read the link"}
    </button>
  );
}
