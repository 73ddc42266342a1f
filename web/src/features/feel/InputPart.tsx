import { useMutation, useQueries, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api, feelOptions } from "./api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { Hands } from "./Hands";
import { type Lane, Lanes } from "./Lanes";
import { ParametersForm } from "./ParametersForm";
import { Ranking } from "./Ranking";
import { type Behaviour, NOTHING, request, type Sequence } from "./sequence";
import { Sideways } from "../../ui/Sideways";

const MOST = 3;

/** One switch input: ranked, tried with one's own hands, and set. */
export function InputPart({
  job,
  box,
  view,
  input,
}: {
  job: string;
  box: string;
  view: Schemas["FeelView"];
  input: Schemas["FeelInputView"];
}) {
  const queries = useQueryClient();
  const [document, setDocument] = useState(input.document);
  const [behaviour, setBehaviour] = useState<Behaviour>(input.behaviour);
  const [sequence, setSequence] = useState<Sequence>(() => first(input));
  const [beside, setBeside] = useState<Behaviour[]>(() => usual(input));
  const keep = useMutation({
    // One after the other, each on what the one before has made of it: hands are faster than answers.
    scope: { id: `feel ${box}` },
    mutationFn: (next: { document: Schemas["FeelDocument"]; behaviour: Behaviour }) => {
      const now = queries.getQueryData(feelOptions(box).queryKey) ?? view;
      const fresh = now.inputs.find((each) => each.box === input.box && each.key === input.key) ?? input;
      return api.keepFeel(input.box, input.key, {
        version: fresh.version,
        boxVersion: fresh.boxVersion,
        behaviour: next.behaviour,
        document: next.document,
      });
    },
    onSuccess: (now) => {
      queries.setQueryData(feelOptions(input.box).queryKey, now);
      queries.invalidateQueries(about({ job }));
      queries.invalidateQueries(about({ box }));
    },
  });
  const change = (part: Partial<Schemas["FeelDocument"]>) => {
    const next = { ...document, ...part };
    setDocument(next);
    // Another wish is another order of the behaviours, and that is the server's to tell.
    if ("want" in part || "other" in part || "remote" in part || "week" in part) {
      keep.mutate({ document: next, behaviour: input.behaviour });
    }
  };
  const answers = useQueries({
    queries: beside.map((each) => ({
      queryKey: ["behaviour", each, document.parameters, powerOn(input, each, behaviour, document), sequence],
      queryFn: () =>
        api.behaviour(
          request(
            each,
            { ...document.parameters, powerOn: powerOn(input, each, behaviour, document) },
            sequence,
          ),
        ),
      staleTime: Number.POSITIVE_INFINITY,
    })),
  });
  const lanes: Lane[] = useMemo(
    () =>
      beside.flatMap((each, i) => {
        const answer = answers[i]?.data;
        const label = input.advice.find((a) => a.behaviour === each)?.label ?? each;
        return answer ? [{ behaviour: each, label, answer }] : [];
      }),
    [beside, answers, input],
  );
  const failed = answers.find((a) => a.isError)?.error ?? keep.error;
  const toggle = (each: Behaviour) =>
    setBeside(
      beside.includes(each) ? beside.filter((b) => b !== each) : [...beside.slice(-(MOST - 1)), each],
    );
  return (
    <div className="space-y-4">
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="The household says"
          value={document.want}
          options={view.wants.map((w) => ({ value: w.code as typeof document.want, label: w.label }))}
          onChange={(want) => change({ want })}
          className="w-56"
        />
        <Choice
          label="Switched by remote"
          value={document.remote}
          options={view.remotes.map((r) => ({ value: r.code as typeof document.remote, label: r.label }))}
          onChange={(remote) => change({ remote })}
          className="w-40"
        />
        <Choice
          label="And others of them say"
          value={document.other ?? ""}
          options={[
            { value: "" as const, label: "the same" },
            ...view.wants
              .filter((w) => w.code !== document.want)
              .map((w) => ({ value: w.code as typeof document.want, label: w.label })),
          ]}
          onChange={(other) => change({ other: other === "" ? undefined : other })}
          className="w-56"
        />
      </div>
      <Week view={view} week={document.week ?? {}} onChange={(week) => change({ week })} />
      <Ranking input={input} chosen={behaviour} beside={beside} onChoose={setBehaviour} onBeside={toggle} />
      {failed && <Failure error={failed} />}
      <Hands
        input={input}
        sequence={sequence}
        recorded={document.recorded}
        rest={document.parameters.rest}
        onSequence={setSequence}
        onRecord={(name) => {
          const next = { ...document, recorded: [...document.recorded, { name, ...sequence }] };
          setDocument(next);
          keep.mutate({ document: next, behaviour: input.behaviour });
        }}
      />
      {lanes.length > 0 && <Lanes lanes={lanes} sequence={sequence} rest={document.parameters.rest} />}
      <Costs input={input} lanes={lanes} />
      <ParametersForm
        parameters={document.parameters}
        powerOns={view.powerOns}
        advice={input.advice.find((a) => a.behaviour === behaviour)}
        onChange={(parameters) => change({ parameters })}
      />
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-primary"
          disabled={keep.isPending}
          onClick={() => keep.mutate({ document, behaviour })}
        >
          {keep.isPending
            ? "keeping…"
            : `set it to "${input.advice.find((a) => a.behaviour === behaviour)?.label}"`}
        </button>
        <span className="text-soft text-[14px]">
          {behaviour === input.behaviour
            ? input.version > 0
              ? "kept; written to the module when it joins"
              : "as the plan has it, not kept yet"
            : "the plan of the box is drawn and proved again"}
        </span>
      </div>
    </div>
  );
}

type Week = NonNullable<Schemas["FeelDocument"]["week"]>;

/** How often each occasion comes in a week of these people; once where nobody said. */
function Week({
  view,
  week,
  onChange,
}: {
  view: Schemas["FeelView"];
  week: Week;
  onChange: (week: Week) => void;
}) {
  const said = Object.keys(week).length;
  return (
    <details className="text-[15px]">
      <summary className="cursor-pointer">
        A week of theirs{" "}
        <span className="text-soft">
          {said > 0 ? `· ${said} of ${view.occasions.length} told` : "· each once"}
        </span>
      </summary>
      <ul className="mt-2 grid gap-2 sm:grid-cols-2">
        {view.occasions.map((occasion) => (
          <li key={occasion.code}>
            <label className="flex items-center gap-2">
              <input
                type="number"
                min={0}
                max={200}
                className="input input-sm font-mono w-20"
                value={week[occasion.code] ?? 1}
                onChange={(event) => {
                  const times = Math.round(Number(event.target.value));
                  if (times >= 0 && times <= 200) {
                    onChange({ ...week, [occasion.code]: times });
                  }
                }}
              />
              {occasion.label}
            </label>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What is compared at first: what is chosen, and the best of the others. */
function usual(input: Schemas["FeelInputView"]): Behaviour[] {
  const best = input.advice.find((a) => a.behaviour !== input.behaviour && !a.refusal);
  return best ? [input.behaviour, best.behaviour] : [input.behaviour];
}

function first(input: Schemas["FeelInputView"]): Sequence {
  const played = input.advice.find((a) => a.behaviour === input.behaviour)?.played[0];
  return played ? { events: played.events, untilMs: played.untilMs } : NOTHING;
}

/** The one that is set has its own state; others are shown with the one that is advised for them. */
function powerOn(
  input: Schemas["FeelInputView"],
  each: Behaviour,
  chosen: Behaviour,
  document: Schemas["FeelDocument"],
) {
  return each === chosen
    ? document.parameters.powerOn
    : (input.advice.find((a) => a.behaviour === each)?.powerOn ?? document.parameters.powerOn);
}

/** What each compared behaviour costs on each occasion. */
function Costs({ input, lanes }: { input: Schemas["FeelInputView"]; lanes: Lane[] }) {
  const columns = lanes.flatMap((lane) => input.advice.filter((a) => a.behaviour === lane.behaviour));
  const occasions = columns[0]?.played ?? [];
  if (occasions.length === 0) {
    return null;
  }
  return (
    <Sideways>
      <table className="w-full text-[14px]">
        <thead>
          <tr className="border-line border-b text-left">
            <th className="py-1 pr-3 font-semibold">What happens</th>
            {columns.map((a) => (
              <th key={a.behaviour} className="py-1 pr-3 font-semibold">
                {a.label}
              </th>
            ))}
            {lanes.length > 0 && <th className="sr-only">end</th>}
          </tr>
        </thead>
        <tbody>
          {occasions.map((occasion) => (
            <tr key={occasion.occasion} className="border-line border-b align-top">
              <td className="text-soft py-1.5 pr-3">{occasion.label}</td>
              {columns.map((a) => {
                const played = a.played.find((p) => p.occasion === occasion.occasion);
                return (
                  <td key={a.behaviour} className="py-1.5 pr-3">
                    {played?.words}
                  </td>
                );
              })}
            </tr>
          ))}
          <tr className="align-top">
            <td className="text-soft py-1.5 pr-3">
              As these hands end: after a remote command the hand needs
            </td>
            {lanes.map((lane) => (
              <td key={lane.behaviour} className="py-1.5 pr-3 font-mono">
                {lane.answer.cost.handAfterRemote ?? "cannot"}
                {lane.answer.cost.handAfterRemote != null &&
                  (lane.answer.cost.handAfterRemote === 1 ? " action" : " actions")}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </Sideways>
  );
}
