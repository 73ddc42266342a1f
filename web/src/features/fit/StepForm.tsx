import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/transport";
import { moment } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { ReadingPad } from "./ReadingPad";
import { ReasonForm } from "./ReasonForm";
import { rank } from "./work";

type Props = {
  step: Schemas["StepView"];
  busy: boolean;
  /** Something was confirmed, or is not so after all; whoever else works on the sheet sees it. */
  onTick?: (item: string, on: boolean) => void;
  /** Something was read of a step that others work on too. */
  onMeasure?: (item: string, value: number) => void;
  onSkip?: (reason: string) => void;
  /** The box that somebody stands at, and the labels of all. */
  here?: string;
  labels?: Record<string, string>;
  onEnter: (confirmed: string[], readings: Record<string, number>, note: string) => void;
  onLive: (reason: string) => void;
};

/** The step that is open, in large type: confirm, measure, go on. */
export function StepForm({ step, busy, onTick, onMeasure, onSkip, onEnter, onLive, here, labels }: Props) {
  const [own, setOwn] = useState<Record<string, boolean>>({});
  const [skipping, setSkipping] = useState(false);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [at, setAt] = useState(0);
  const [note, setNote] = useState("");
  const rows = useRef<(HTMLLIElement | null)[]>([]);
  useEffect(() => {
    if (at > 0) {
      rows.current[at]?.scrollIntoView?.({ block: "center" });
    }
  }, [at]);
  const reading = step.readings[at];
  const isOn = (id: string) => own[id] ?? step.ticks.some((tick) => tick.item === id);
  const confirmed = step.confirms.map((c) => c.id).filter(isOn);
  const value = (id: string) => typed[id] ?? step.measured.find((m) => m.item === id)?.value.toString() ?? "";
  const measured = step.readings.every((r) => isNumber(value(r.id)));
  const ready = step.confirms.every((c) => isOn(c.id)) && measured;
  const toggle = (id: string) => {
    setOwn({ ...own, [id]: !isOn(id) });
    onTick?.(id, !isOn(id));
  };
  const shared = new Set(step.readings.map((r) => r.box)).size > 1;
  /** What is read where several people work is known to all at once. */
  const measuredAt = (index: number) => {
    const r = step.readings[index];
    const known = step.measured.find((m) => m.item === r?.id)?.value;
    if (shared && r && isNumber(typed[r.id]) && Number(typed[r.id]) !== known) {
      onMeasure?.(r.id, Number(typed[r.id]));
    }
  };
  const elsewhere = (items: { box: string }[], index: number) => {
    const at = items[index]?.box ?? "";
    return here !== undefined && rank(at, here) === 1 && items[index - 1]?.box !== at ? (
      <p className="text-soft mt-3 mb-1 text-[15px] font-semibold">at {labels?.[at] ?? "another box"}</p>
    ) : null;
  };
  const enter = () =>
    onEnter(confirmed, Object.fromEntries(step.readings.map((r) => [r.id, Number(value(r.id))])), note);

  return (
    <>
      <div
        data-step={step.id}
        className={`rounded-[4px] border-2 p-4 ${step.gate ? "border-accent" : "border-edge"}`}
      >
        <p className="text-soft text-[15px]">
          {step.phaseLabel}
          {step.gate && <b className="text-base-content"> · gate: nothing behind it opens before this</b>}
        </p>
        <h2 className="mt-1 text-[22px] leading-tight">{step.title}</h2>
        {step.detail && <p className="text-soft mt-2 text-[16px]">{step.detail}</p>}
      </div>

      {step.confirms.length > 0 && (
        <ul className="space-y-2">
          {step.confirms.map((confirm, index) => (
            <li key={confirm.id}>
              {elsewhere(step.confirms, index)}
              <label className="border-edge bg-base-100 flex min-h-[52px] cursor-pointer items-center gap-3 rounded-[4px] border px-3 py-2 text-[16px]">
                <input
                  type="checkbox"
                  className="checkbox checkbox-lg"
                  checked={isOn(confirm.id)}
                  onChange={() => toggle(confirm.id)}
                />
                <span>
                  {confirm.text}
                  {step.ticks
                    .filter((tick) => tick.item === confirm.id)
                    .map((tick) => (
                      <span key={tick.who} className="text-soft block text-[13px]">
                        {tick.who}, {moment(tick.when)}
                      </span>
                    ))}
                </span>
              </label>
            </li>
          ))}
        </ul>
      )}

      {step.readings.length > 0 && (
        <ul className="space-y-2" aria-label="readings">
          {step.readings.map((r, index) => (
            <li
              key={r.id}
              ref={(row) => {
                rows.current[index] = row;
              }}
              className="grid grid-cols-[1fr_128px] items-center gap-x-3"
            >
              <span className="col-span-2">{elsewhere(step.readings, index)}</span>
              <label htmlFor={`reading-${r.id}`} className="text-[16px]">
                {r.text}
              </label>
              <span
                className={`input flex w-full items-center text-[18px] ${index === at ? "border-accent border-2" : ""}`}
              >
                <input
                  id={`reading-${r.id}`}
                  className="font-mono w-full min-w-0 bg-transparent text-right outline-none"
                  inputMode="none"
                  autoComplete="off"
                  value={value(r.id)}
                  onFocus={() => setAt(index)}
                  onChange={(event) => setTyped({ ...typed, [r.id]: event.target.value.replace(",", ".") })}
                  onKeyDown={(event) => {
                    if (event.key === "Enter") {
                      event.preventDefault();
                      measuredAt(index);
                      setAt(Math.min(step.readings.length - 1, index + 1));
                      document.getElementById(`reading-${step.readings[index + 1]?.id}`)?.focus();
                    }
                  }}
                />
                <span className="font-mono text-soft">{r.unit}</span>
              </span>
            </li>
          ))}
        </ul>
      )}

      {step.leavable &&
        onSkip &&
        (skipping ? (
          <ReasonForm label="Why it is left out" button="leave it out" onGive={onSkip} />
        ) : (
          <button
            type="button"
            className="text-soft self-start text-sm underline"
            onClick={() => setSkipping(true)}
          >
            leave this step out
          </button>
        ))}
      <details>
        <summary className="text-soft cursor-pointer text-sm">add a note</summary>
        <TextField label="Note" value={note} onChange={setNote} maxLength={500} />
      </details>

      <div className="bg-base-100 sticky bottom-0 space-y-2 pt-1 pb-2">
        {reading && (
          <ReadingPad
            label={`reading ${at + 1} of ${step.readings.length}: ${reading.text}`}
            onKey={(key) =>
              setTyped((now) => ({ ...now, [reading.id]: press(now[reading.id] ?? value(reading.id), key) }))
            }
          />
        )}
        <div className="flex gap-2">
          {step.readings.length > 0 && (
            <button
              type="button"
              className="btn btn-outline h-14 flex-1 text-[16px]"
              disabled={busy}
              onClick={() => onLive(`It reads live: ${reading?.text ?? step.title}`)}
            >
              It reads live
            </button>
          )}
          {reading && at < step.readings.length - 1 && !ready ? (
            <button
              type="button"
              className="btn btn-success h-14 flex-1 text-[16px]"
              disabled={!isNumber(value(reading.id))}
              onClick={() => {
                measuredAt(at);
                setAt(at + 1);
              }}
            >
              Next reading
            </button>
          ) : (
            <button
              type="button"
              className="btn btn-success h-14 flex-1 text-[16px]"
              disabled={!ready || busy}
              onClick={enter}
            >
              {busy ? "recording …" : "record and go on"}
            </button>
          )}
        </div>
      </div>
    </>
  );
}

const isNumber = (text: string | undefined) => text !== undefined && /^\d+(\.\d*)?$/.test(text);

/** What a key of the pad makes of the digits typed so far. */
export function press(typed: string, key: string): string {
  if (key === "back") {
    return typed.slice(0, -1);
  }
  if (key === "." && (typed === "" || typed.includes("."))) {
    return typed === "" ? "0." : typed;
  }
  return typed.length >= 7 ? typed : typed + key;
}
