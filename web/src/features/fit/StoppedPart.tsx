import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { moment } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { ReasonForm } from "./ReasonForm";

type Props = {
  box: string;
  stopped: Schemas["StopView"];
  onDo: (deed: () => Promise<unknown>) => void;
};

/** What a stop asks for: what was proved is proved again, or a value that was mistyped is put right. */
export function StoppedPart({ box, stopped, onDo }: Props) {
  const [value, setValue] = useState("");
  const { reading } = stopped;
  const goOn = (reason: string) => onDo(() => api.resumeRunSheet(box, { reason }));
  if (!stopped.correctable || !reading) {
    return (
      <>
        <p className="text-soft text-sm">
          {stopped.who}, {moment(stopped.when)}. Treat the box as live. Nothing that was proved counts any
          more: isolation starts over.
        </p>
        <ReasonForm label="What was found and put right" button="start isolation over" onGive={goOn} />
      </>
    );
  }
  return (
    <>
      <p className="text-soft text-sm">
        {stopped.who}, {moment(stopped.when)}. What was proved dead stays proved. Once it is put right, the
        wiring is checked and tested again.
      </p>
      <ReasonForm label="What was found and put right" button="check the wiring again" onGive={goOn} />
      <details>
        <summary className="cursor-pointer text-[15px]">It was only mistyped</summary>
        <div className="mt-2 space-y-2">
          <TextField label="What it reads" value={value} onChange={setValue} maxLength={12} />
          <ReasonForm
            label="How the mistake came about"
            button="put the value right"
            onGive={(reason) => {
              const read = Number(value.replace(",", "."));
              if (value.trim() !== "" && !Number.isNaN(read)) {
                onDo(() =>
                  api.correctReading(box, { stepId: stopped.stepId, item: reading, value: read, reason }),
                );
              }
            }}
          />
        </div>
      </details>
    </>
  );
}
