import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { feelOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { Waiting } from "../../ui/Waiting";
import { MarginNotes } from "../job/MarginNotes";
import { SheetLayout } from "../job/SheetLayout";
import { InputPart } from "./InputPart";

const WALL: Record<Schemas["FeelInputView"]["wall"], string> = {
  ROCKER: "rocker, stays where it is put",
  PUSH: "push button, springs back",
  SUPPLY: "sits in the way of the supply",
  UP_DOWN: "two contacts, up and down",
};

/** The boxes of a run may each have an input of the same number. */
const idOf = (input: Schemas["FeelInputView"]) => `${input.box} ${input.key}`;

/** How the switches of a box will act. */
export function FeelSheet({ job, box }: { job: Schemas["JobView"]; box: string }) {
  const feel = useQuery(feelOptions(box));
  const [chosen, setChosen] = useState<string>();
  const label = job.boxes.find((b) => b.id === box)?.label ?? "";
  if (feel.isPending) {
    return <Waiting what="the switches" />;
  }
  const inputs = feel.data?.inputs ?? [];
  const input = inputs.find((i) => idOf(i) === chosen) ?? inputs[0];
  return (
    <SheetLayout
      title={input ? `Feel, ${label}: ${input.switches.join(" and ")}` : `Feel, ${label}`}
      detail={
        input && `${WALL[input.wall]}${input.ends > 1 ? `, ${input.ends} read as one` : ""} · ${input.name}`
      }
      actions={
        inputs.length > 1 && (
          <div role="tablist" aria-label="Inputs" className="flex flex-wrap gap-1">
            {inputs.map((each) => (
              <button
                key={idOf(each)}
                type="button"
                role="tab"
                aria-selected={each === input}
                className={`rounded-[4px] border-[1.5px] px-3 py-1 text-[14px] ${each === input ? "border-base-content font-semibold" : "border-line"}`}
                onClick={() => setChosen(idOf(each))}
              >
                {each.switches.join(" and ")}
              </button>
            ))}
          </div>
        )
      }
      margin={
        input && (
          <MarginNotes
            findings={input.findings}
            empty={
              input.version > 0
                ? "The module takes what this input is set to."
                : "Nothing speaks against it. It is not kept yet."
            }
          />
        )
      }
      noteCount={input?.findings.length ?? 0}
    >
      {feel.isError && <Failure error={feel.error} onRetry={() => feel.refetch()} />}
      {feel.data && !input && (
        <p>
          No switch of this box is read by a module yet.{" "}
          <Link className="link link-primary" to={`/jobs/${job.id}/boxes/${box}/match`}>
            Pick a module first.
          </Link>
        </p>
      )}
      {feel.data && input && (
        <InputPart key={idOf(input)} job={job.id} box={box} view={feel.data} input={input} />
      )}
    </SheetLayout>
  );
}
