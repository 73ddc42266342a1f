import { useIsMutating, useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { CodeForm } from "./CodeForm";
import { SettingsForm } from "./SettingsForm";

type Unit = Schemas["BenchUnitView"];
type Step = Schemas["BenchStepView"];
type Outcome = Schemas["Marking"]["outcome"];

/** One module on the bench: the step that is next stands open, those behind say who did them. */
export function UnitCard({ job, unit }: { job: string; unit: Unit }) {
  const queries = useQueryClient();
  const changed = () => queries.invalidateQueries(about({ job }));
  const [chosen, choose] = useState<Step["step"] | null>(null);
  const mark = useMutation({
    mutationFn: ({ step, outcome, note }: { step: Step["step"]; outcome: Outcome; note: string }) =>
      api.markOnBench(unit.id, { version: unit.version, step, outcome, note }),
    onSuccess: async () => {
      choose(null);
      await changed();
    },
  });
  const aside = useMutation({ mutationFn: () => api.putAside(unit.id, unit.version), onSuccess: changed });
  // What is being kept of this module makes another version of it: a mark waits for that.
  const busy = useIsMutating() > 0;
  const open = chosen ?? unit.next;
  return (
    <section
      aria-label={`module ${unit.serial}`}
      className="bg-base-100 border-base-content rounded-[4px] border-[1.5px] p-4"
    >
      <h2 className="text-[17px]">{unit.display ?? unit.name}</h2>
      <p className="text-soft text-[14px]">
        {unit.name} · {unit.protocol} ·{" "}
        {unit.boxLabel ? `for ${unit.room}, ${unit.boxLabel}` : "no box waits for it"}
        {unit.handle && (
          <>
            {" "}
            · <span className="font-mono">{unit.handle}</span>
          </>
        )}
      </p>
      {unit.faulty && (
        <p className="border-error mt-2 flex flex-wrap items-center gap-2 border-l-4 pl-3 text-[14px]">
          Something failed. Mend it and do the step again, or put the module aside.
          {unit.boxLabel && (
            <button
              type="button"
              className="btn btn-xs btn-outline"
              disabled={aside.isPending}
              onClick={() => aside.mutate()}
            >
              put it aside, {unit.boxLabel} takes another
            </button>
          )}
        </p>
      )}
      {aside.isError && <Failure error={aside.error} />}
      {unit.boxLabel && <Replace unit={unit} onReplaced={changed} />}
      <ol className="mt-3 space-y-1.5">
        {unit.steps.map((step) => (
          <li key={step.step} className="border-line border-b pb-1.5 last:border-0">
            <StepLine step={step} open={step.step === open} onOpen={() => choose(step.step)} />
            {step.step === open && (
              <div className="mt-1 pl-6">
                <p className="text-soft mb-2 text-[14px]">{step.how}</p>
                {step.step === "CREDENTIAL" && <CodeForm unit={unit} onKept={changed} />}
                {step.step === "LABEL" && (
                  <a
                    className="btn btn-sm btn-outline mb-3"
                    href={`/api/v1/jobs/${job}/labels.pdf?unit=${unit.id}`}
                    target="_blank"
                    rel="noreferrer"
                  >
                    its label, 62 × 29 mm
                  </a>
                )}
                {step.step === "SETTINGS" && unit.unset.length > 0 && (
                  <ul className="border-warning mb-2 border-l-4 pl-3 text-[14px]">
                    {unit.unset.map((words) => (
                      <li key={words}>{words}</li>
                    ))}
                  </ul>
                )}
                {step.step === "SETTINGS" && <SettingsForm unit={unit} onKept={changed} />}
                {step.step === "NAME" && <Address unit={unit} onKept={changed} />}
                <Marks
                  step={step}
                  busy={busy}
                  onMark={(outcome, note) => mark.mutate({ step: step.step, outcome, note })}
                />
                {mark.isError && <Failure error={mark.error} />}
              </div>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Service: another module of the kind takes over. */
function Replace({ unit, onReplaced }: { unit: Unit; onReplaced: () => Promise<void> }) {
  const [open, setOpen] = useState(false);
  const [serial, setSerial] = useState("");
  const replace = useMutation({
    mutationFn: () => api.replaceModule(unit.id, { version: unit.version, serial }),
    onSuccess: onReplaced,
  });
  if (!open) {
    return (
      <button type="button" className="btn btn-xs btn-outline mt-2" onClick={() => setOpen(true)}>
        replace it
      </button>
    );
  }
  return (
    <form
      className="bg-base-200 mt-2 space-y-2 rounded-[4px] p-3"
      onSubmit={(event) => {
        event.preventDefault();
        replace.mutate();
      }}
    >
      <p className="text-[14px]">
        Another {unit.name} takes over the box, the name, the settings and all that rules say of it. This one
        goes out of the network; its tests are to be made again.
      </p>
      <TextField label="Serial of the new one" value={serial} onChange={setSerial} required maxLength={80} />
      {replace.isError && <Failure error={replace.error} />}
      <button type="submit" className="btn btn-sm btn-primary" disabled={replace.isPending}>
        replace
      </button>
    </form>
  );
}

function StepLine({ step, open, onOpen }: { step: Step; open: boolean; onOpen: () => void }) {
  const failed = step.outcome === "FAILED";
  return (
    <button
      type="button"
      onClick={onOpen}
      aria-expanded={open}
      className={`flex w-full items-baseline gap-2 text-left ${open ? "font-semibold" : ""}`}
    >
      <span
        aria-hidden
        className={`font-mono w-4 ${failed ? "text-error" : step.behind ? "text-success" : ""}`}
      >
        {failed ? "×" : step.outcome === "SKIPPED" ? "–" : step.behind ? "✓" : "·"}
      </span>
      <span>{step.title}</span>
      <span className="text-soft flex-1 text-right text-[13px]">
        {failed && "failed: "}
        {step.outcome === "SKIPPED" && "left out: "}
        {step.note}
        {step.madeBy && step.madeAt && ` ${step.madeBy}, ${moment(step.madeAt)}`}
        {!step.outcome && step.behind && "not needed"}
      </span>
    </button>
  );
}

function Marks({
  step,
  busy,
  onMark,
}: {
  step: Step;
  busy: boolean;
  onMark: (outcome: Outcome, note: string) => void;
}) {
  const [note, setNote] = useState("");
  return (
    <div className="flex flex-wrap items-end gap-2">
      <button
        type="button"
        className="btn btn-sm btn-primary"
        disabled={busy}
        onClick={() => onMark("DONE", note)}
      >
        done
      </button>
      <TextField label="Note, or reason" value={note} onChange={setNote} className="min-w-40 flex-1" />
      <button
        type="button"
        className="btn btn-sm btn-outline"
        disabled={busy}
        onClick={() => onMark("FAILED", note)}
      >
        failed
      </button>
      {step.skippable && (
        <button
          type="button"
          className="btn btn-sm btn-outline"
          disabled={busy}
          onClick={() => onMark("SKIPPED", note)}
        >
          leave out
        </button>
      )}
    </div>
  );
}

/** The hardware address, as it stands on the module. */
function Address({ unit, onKept }: { unit: Unit; onKept: () => void }) {
  const [address, setAddress] = useState(unit.address ?? "");
  const keep = useMutation({
    mutationFn: () => api.benchAddress(unit.id, { version: unit.version, address }),
    onSuccess: onKept,
  });
  return (
    <form
      className="mb-3 flex flex-wrap items-end gap-2"
      aria-label="hardware address"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate();
      }}
    >
      <TextField
        label="Hardware address, 6 or 8 octets"
        value={address}
        onChange={setAddress}
        className="min-w-56 flex-1"
        required
      />
      <button
        type="submit"
        className="btn btn-sm btn-outline"
        disabled={keep.isPending || address === unit.address}
      >
        keep it
      </button>
      {keep.isError && <Failure error={keep.error} />}
    </form>
  );
}
