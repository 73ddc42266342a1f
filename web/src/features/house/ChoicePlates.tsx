import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { stockOptions } from "../stock/api";
import { Choice } from "../../ui/Choice";
import { Mark } from "../../ui/Mark";

type Outcome = Schemas["Outcome"];
type Pin = Schemas["PinEntry"];

/** Edges by maker; the code beside them carries the same. */
const FAMILY = ["border-primary", "border-success", "border-warning", "border-accent", "border-error"];

type Props = {
  job: Schemas["JobView"];
  choice: Schemas["ChoiceEntry"];
  outcome: Outcome;
  pins: Pin[];
  onPin: (pin: Pin) => void;
  onUnpin: (unit: string) => void;
};

/** Of a choice that was made before reasons were kept. */
const UNTOLD = "No module passes every rule here. The box says why.";

/** What every position gets, room by room; plates of one maker have one colour. */
export function ChoicePlates({ job, choice, outcome, pins, onPin, onUnpin }: Props) {
  const [asked, ask] = useState<string | null>(null);
  const makers = [...new Set(outcome.chosen.map((c) => c.maker))].sort();
  return (
    <>
      <ul className="mb-3 flex flex-wrap gap-x-4 gap-y-1 text-[14px]" aria-label="makers">
        {makers.map((maker, i) => (
          <li key={maker} className={`border-l-[6px] pl-2 ${FAMILY[i % FAMILY.length]}`}>
            {maker}
          </li>
        ))}
      </ul>
      {job.rooms.map((room) => {
        const boxes = job.boxes.filter((b) => b.roomId === room.id).map((b) => b.id);
        const units = outcome.units.filter((u) => boxes.includes(u.box));
        return (
          units.length > 0 && (
            <section key={room.id} className="mb-4">
              <h2 className="mb-1.5 text-[16px]">
                {room.name} <span className="text-soft text-sm font-normal">{room.storey}</span>
              </h2>
              <ul className="grid gap-2 md:grid-cols-2 2xl:grid-cols-3">
                {units.map((unit) => (
                  <UnitPlate
                    key={unit.unit}
                    job={job.id}
                    unit={unit}
                    chosen={outcome.chosen.find((c) => c.units.includes(unit.unit))}
                    edge={(maker) => FAMILY[makers.indexOf(maker) % FAMILY.length] ?? ""}
                    reason={outcome.inTheWay ? outcome.inTheWay[unit.unit] : UNTOLD}
                    pin={pins.find((p) => p.unit === unit.unit)}
                    onUnpin={() => onUnpin(unit.unit)}
                    onAsk={() => ask(asked === unit.unit ? null : unit.unit)}
                  >
                    {asked === unit.unit && (
                      <WhyNot
                        choice={choice.id}
                        unit={unit.unit}
                        onPin={(module) => onPin({ unit: unit.unit, module })}
                      />
                    )}
                  </UnitPlate>
                ))}
              </ul>
            </section>
          )
        );
      })}
    </>
  );
}

type PlateProps = {
  job: string;
  unit: Schemas["UnitView"];
  chosen: Schemas["ChosenView"] | undefined;
  /** Why it has none, where that lies at the position itself. */
  reason: string | undefined;
  edge: (maker: string) => string;
  pin: Pin | undefined;
  onUnpin: () => void;
  onAsk: () => void;
  children: React.ReactNode;
};

function UnitPlate({ job, unit, chosen, reason, edge, pin, onUnpin, onAsk, children }: PlateProps) {
  return (
    <li
      data-unit={unit.unit}
      className={`bg-base-100 border-line rounded-[4px] border border-l-[6px] p-2.5 ${chosen ? edge(chosen.maker) : "border-dashed"}`}
    >
      <div className="flex flex-wrap items-baseline gap-x-3">
        <Link to={`/jobs/${job}/boxes/${unit.box}/match`} className="font-semibold hover:underline">
          {unit.words}
        </Link>
        <span className="flex-1" />
        {chosen ? (
          <span className="font-mono">{chosen.module}</span>
        ) : (
          <span className="flex items-center gap-1.5">
            <Mark kind="HOLD" size={15} /> no module
          </span>
        )}
      </div>
      <p className="text-soft text-[13px]">
        {chosen
          ? `${chosen.schemeLabel}${chosen.companion ? `, with ${chosen.companion}` : ""}${chosen.units.length > 1 ? `, shared by ${chosen.units.length}` : ""}`
          : (reason ?? "The rules of the whole house leave none for it.")}
      </p>
      <div className="mt-1 flex flex-wrap items-center gap-2">
        {pin && (
          <button type="button" className="btn btn-xs btn-neutral" onClick={onUnpin}>
            pinned: {pin.module}, unpin
          </button>
        )}
        <button type="button" className="btn btn-xs btn-outline" onClick={onAsk}>
          why not another?
        </button>
      </div>
      {children}
    </li>
  );
}

type WhyProps = { choice: string; unit: string; onPin: (module: string) => void };

/** Why a position did not get some module: the rule, or the difference; and a pin. */
function WhyNot({ choice, unit, onPin }: WhyProps) {
  const stock = useQuery(stockOptions);
  const modules = (stock.data?.modules ?? []).filter((m) => !m.retired && m.document.channels.length > 0);
  const [module, setModule] = useState("");
  const answer = useQuery({
    queryKey: ["why-not", choice, unit, module],
    queryFn: () => api.whyNot(choice, unit, module),
    enabled: module !== "",
  });
  return (
    <div className="border-line mt-2 border-t pt-2">
      <Choice
        label="Module"
        value={module}
        onChange={setModule}
        options={[
          { value: "", label: "which one?" },
          ...modules.map((m) => ({
            value: m.document.code,
            label: `${m.document.code}, ${m.document.name}`,
          })),
        ]}
      />
      {answer.isFetching && (
        <p role="status" className="text-soft mt-1 text-sm">
          <span className="loading loading-dots loading-sm" aria-hidden="true" /> working it out
        </p>
      )}
      {answer.data && !answer.isFetching && (
        <div className="mt-1.5 text-sm">
          <Answer answer={answer.data} />
          {answer.data.forbidden.length === 0 && (
            <button type="button" className="btn btn-xs btn-outline mt-1.5" onClick={() => onPin(module)}>
              pin it all the same
            </button>
          )}
        </div>
      )}
    </div>
  );
}

function Answer({ answer }: { answer: Schemas["WhyNotAnswer"] }) {
  if (answer.forbidden.length > 0) {
    return (
      <ul className="space-y-1">
        {answer.forbidden.map((reason) => (
          <li key={reason.code} className="flex gap-1.5">
            <Mark kind={reason.severity} size={14} /> {reason.title}
          </li>
        ))}
      </ul>
    );
  }
  if (answer.kind === "IMPOSSIBLE") {
    return (
      <p>
        <b>No plan of the whole house has it.</b> What stands against it: {answer.rules.join("; or ")}.
      </p>
    );
  }
  if (answer.kind === "NOT_IN_TIME") {
    return <p>No plan with it was found in the time there was; that there is none is not shown.</p>;
  }
  if (answer.kind === "FORBIDDEN") {
    return <p>No way of wiring that this position has goes with it.</p>;
  }
  const more = answer.moreMoney ?? 0;
  return (
    <p>
      {more > 0
        ? `The best plan with it weighs ${more.toFixed(2)} more.`
        : "It is as good: the best plan with it weighs the same."}
      {answer.differences.length > 1 && ` ${answer.differences.length} positions would change.`}
    </p>
  );
}
