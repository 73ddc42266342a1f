import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useSearchParams } from "react-router";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api, benchOptions } from "./api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { Mark } from "../../ui/Mark";
import { Scan } from "../../ui/Scan";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { HousePages } from "../house/HousePages";
import { SheetLayout } from "../job/SheetLayout";
import { NamesPart } from "./NamesPart";
import { UnitCard } from "./UnitCard";

type Unit = Schemas["BenchUnitView"];

/** The bench: modules of the job, or of one box, from goods-in to packed. */
export function BenchSheet({ job, box }: { job: Schemas["JobView"]; box?: string }) {
  const bench = useQuery(benchOptions(job.id));
  const [params, setParams] = useSearchParams();
  if (bench.isPending) {
    return <Waiting what="the bench" />;
  }
  const units = (bench.data?.units ?? []).filter((unit) => !box || unit.box === box);
  const open = units.find((unit) => unit.id === params.get("unit")) ?? units.find((unit) => !unit.ready);
  const ready = units.filter((unit) => unit.ready).length;
  const label = job.boxes.find((b) => b.id === box)?.label;
  return (
    <SheetLayout
      title={label ? `Bench, ${label}` : "Bench"}
      detail={box ? "modules for this box" : <HousePages job={job.id} page="/bench" />}
      actions={
        units.length > 0 && (
          <span className="flex items-baseline gap-3">
            <span className="font-mono">
              {leftInWords(
                units.length - ready,
                box ? hereOf(bench.data?.waiting ?? [], box) : countOf(bench.data?.waiting ?? []),
              )}
            </span>
            <a
              className="btn btn-sm btn-outline"
              href={`/api/v1/jobs/${job.id}/labels.pdf`}
              target="_blank"
              rel="noreferrer"
            >
              labels on A4
            </a>
          </span>
        )
      }
    >
      {bench.isError && <Failure error={bench.error} onRetry={() => bench.refetch()} />}
      {bench.data && <Take job={job} waiting={bench.data.waiting} box={box} />}
      <div className="grid gap-4 lg:grid-cols-[minmax(280px,1fr)_minmax(0,1.5fr)]">
        <ul aria-label="modules on the bench" className="space-y-1.5">
          {units.map((unit) => (
            <li key={unit.id}>
              <UnitRow
                unit={unit}
                selected={unit.id === open?.id}
                onOpen={() => setParams({ unit: unit.id })}
              />
            </li>
          ))}
          {units.length === 0 && bench.data && bench.data.waiting.length > 0 && (
            <li className="text-soft">Nothing is on the bench yet. Scan or type the first serial above.</li>
          )}
        </ul>
        {open && <UnitCard key={open.id} job={job.id} unit={open} />}
      </div>
      {!box && <NamesPart job={job.id} />}
    </SheetLayout>
  );
}

const countOf = (waiting: Schemas["WaitingView"][]) => waiting.reduce((sum, w) => sum + w.count, 0);
const hereOf = (waiting: Schemas["WaitingView"][], box: string) =>
  waiting.reduce((sum, w) => sum + w.boxes.filter((each) => each === box).length, 0);

/** What is left to do: modules that are not ready, and places that nothing was taken for. */
export function leftInWords(unready: number, missing: number): string {
  const parts = [unready > 0 && `${unready} not ready`, missing > 0 && `${missing} not on the bench`].filter(
    Boolean,
  );
  return parts.length > 0 ? parts.join(", ") : "all ready";
}

/** Takes a module to the bench by its serial; the field is ready for the next scan at once. */
function Take({
  job,
  waiting,
  box,
}: {
  job: Schemas["JobView"];
  waiting: Schemas["WaitingView"][];
  box?: string;
}) {
  const queries = useQueryClient();
  const [module, setModule] = useState("");
  const [serial, setSerial] = useState("");
  const here = (w: Schemas["WaitingView"]) => w.boxes.filter((each) => each === box).length;
  // At a box its own modules come first; the others of the house can still be taken.
  const kinds = [...waiting].sort((a, b) => Number(here(b) > 0) - Number(here(a) > 0));
  const chosen = kinds.some((w) => w.moduleCode === module) ? module : (kinds[0]?.moduleCode ?? "");
  const label = job.boxes.find((b) => b.id === box)?.label;
  const there = kinds.find((w) => w.moduleCode === chosen)?.inPlace ?? 0;
  const take = useMutation({
    // One after the other, however fast somebody scans: each takes the first place that is left.
    scope: { id: "take to the bench" },
    mutationFn: (scanned: string) => api.takeToBench(job.id, { moduleCode: chosen, serial: scanned, box }),
    onSuccess: () => {
      queries.invalidateQueries(about({ job: job.id }));
    },
    onError: (_, scanned) => setSerial((typed) => typed || scanned),
  });
  if (waiting.length === 0) {
    return <p className="text-soft mb-4">No box waits for another module.</p>;
  }
  const submit = (event: FormEvent) => {
    event.preventDefault();
    take.mutate(serial);
    setSerial("");
  };
  return (
    <form onSubmit={submit} className="mb-4 flex flex-wrap items-end gap-3" aria-label="take to the bench">
      <Choice
        label="Module"
        value={chosen}
        onChange={setModule}
        options={kinds.map((w) => ({
          value: w.moduleCode,
          label:
            here(w) > 0 ? `${w.moduleCode}, ${here(w)} for ${label}` : `${w.moduleCode}, ${w.count} wanted`,
        }))}
        className="w-56"
      />
      <TextField
        label="Serial, scanned or typed"
        value={serial}
        onChange={setSerial}
        className="min-w-48 flex-1 sm:max-w-72"
        required
      />
      <button type="submit" className="btn btn-sm btn-primary">
        {there === kinds.find((w) => w.moduleCode === chosen)?.count ? "take it down" : "to the bench"}
      </button>
      <Scan what="a serial" onRead={setSerial} />
      {there > 0 && (
        <p className="text-soft w-full text-sm">
          {there} {chosen} {there === 1 ? "is in its box" : "are in their boxes"} already: serial and code are
          read there while the box is open, and nothing of it is powered or packed here.
        </p>
      )}
      {take.isError && <Failure error={take.error} />}
    </form>
  );
}

function UnitRow({ unit, selected, onOpen }: { unit: Unit; selected: boolean; onOpen: () => void }) {
  const behind = unit.steps.filter((step) => step.behind).length;
  const next = unit.steps.find((step) => step.step === unit.next);
  return (
    <button
      type="button"
      onClick={onOpen}
      aria-pressed={selected}
      className={`bg-base-100 flex w-full items-center gap-3 rounded-[4px] border-[1.5px] px-3 py-2 text-left ${
        selected ? "border-base-content" : "border-line hover:border-edge"
      }`}
    >
      <Mark kind={unit.faulty ? "STOP" : unit.ready ? "OK" : "NOTE"} size={18} />
      <span className="min-w-0 flex-1">
        <span className="block font-semibold">{unit.display ?? "no box waits for it"}</span>
        <span className="text-soft font-mono block truncate text-[12.5px]">
          {unit.moduleCode} · {unit.serial}
        </span>
      </span>
      <span className="text-right text-[13px]">
        <span className="block">{unit.boxLabel}</span>
        <span className="text-soft block">
          {unit.ready ? "packed" : `${behind} of ${unit.steps.length}: ${next?.title.toLowerCase()}`}
        </span>
      </span>
    </button>
  );
}
