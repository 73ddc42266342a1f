import type { Schemas } from "../../api/transport";
import { withUnit } from "../../ui/figures";
import { WiringDrawing } from "./WiringDrawing";

type Place = Schemas["Papers"];

type Props = { plan: Schemas["PlanView"]; view: "before" | "after" | "restore" };

/** What goes to site on paper, place by place: labels, moves, terminal table; then what to cut and what to bring. */
export function PlanPapers({ plan, view }: Props) {
  return (
    <div className="mt-5 space-y-8">
      {plan.cautions.length > 0 && view === "after" && (
        <section aria-label="Cautions">
          <h2 className="mb-2 text-[16px]">Be careful here</h2>
          <ul className="max-w-[75ch] list-disc space-y-1 pl-5 text-[14px]">
            {plan.cautions.map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
        </section>
      )}
      {plan.places.map((place) => (
        <PlacePapers
          key={place.place}
          place={place}
          view={view}
          named={plan.places.length > 1}
          planned={Boolean(plan.after)}
          wiring={view === "after" && plan.after ? plan.after : plan.before}
        />
      ))}
      {plan.after && view === "after" && <ToBring plan={plan} />}
    </div>
  );
}

function PlacePapers({
  place,
  view,
  named,
  planned,
  wiring,
}: {
  place: Place;
  view: Props["view"];
  named: boolean;
  planned: boolean;
  wiring: Schemas["DrawnWiring"];
}) {
  const moves = view === "restore" ? place.restore : place.moves;
  const showsMoves = planned && view !== "before";
  return (
    <section aria-label={place.place} className={`print-page ${named ? "one-of-several" : ""}`}>
      {named && (
        <h2 className="border-line mb-3 border-t pt-3 text-[17px]">
          {place.place} <span className="text-soft text-[14px] font-normal">{place.kind}</span>
        </h2>
      )}
      {named && (
        <div className="print-only drawn">
          <WiringDrawing wiring={wiring} only={place.place} name={`${place.place}, from behind`} />
        </div>
      )}
      <div className="grid gap-6 lg:grid-cols-2">
        {showsMoves && (
          <div>
            {view === "after" && place.labels.length > 0 && (
              <>
                <h3 className="mb-1 text-[15px]">Write on the cores first</h3>
                <ul className="mb-4 list-disc space-y-0.5 pl-5 text-[14px]">
                  {place.labels.map((label) => (
                    <li key={label.core}>
                      {label.core}: was on {label.wasOn}, goes to {label.goesTo}
                    </li>
                  ))}
                </ul>
              </>
            )}
            <h3 className="mb-1 text-[15px]">
              {view === "restore" ? "The way back" : "What is moved, in this order"}
            </h3>
            {moves.length === 0 && <p className="text-soft text-[14px]">Nothing is moved here.</p>}
            <ol className="list-decimal space-y-1 pl-5 text-[14px]">
              {moves.map((move) => (
                <li key={`${move.kind} ${move.conductor}`}>{move.words}</li>
              ))}
            </ol>
            {view === "after" && <Marks place={place} />}
          </div>
        )}
        <div>
          <h3 className="mb-1 text-[15px]">{view === "after" ? "Terminal table" : "Terminals as found"}</h3>
          <Terminals lines={view === "after" ? place.terminals : place.found} />
        </div>
      </div>
    </section>
  );
}

/** Cores to cap and cores to sleeve. */
function Marks({ place }: { place: Place }) {
  return (
    <>
      {place.caps.length > 0 && (
        <>
          <h3 className="mt-4 mb-1 text-[15px]">Capped</h3>
          <ul className="list-disc space-y-0.5 pl-5 text-[14px]">
            {place.caps.map((cap) => (
              <li key={cap.core}>
                {cap.core}, labelled “{cap.label}”; its other end is at {cap.otherEnd}
              </li>
            ))}
          </ul>
        </>
      )}
      {place.sleeves.length > 0 && (
        <>
          <h3 className="mt-4 mb-1 text-[15px]">Sleeves</h3>
          <ul className="list-disc space-y-0.5 pl-5 text-[14px]">
            {place.sleeves.map((sleeve) => (
              <li key={sleeve.core}>
                {sleeve.core}: {words(sleeve.colour)} sleeve, it is a {words(sleeve.role)} now
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

function Terminals({ lines }: { lines: Schemas["Line"][] }) {
  return (
    <table className="table-xs table">
      <thead>
        <tr>
          <th>Where</th>
          <th>Terminal</th>
          <th>Holds</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={`${line.device} ${line.terminal}`}>
            <td>{line.device}</td>
            <td className="font-mono">{line.terminal}</td>
            <td>{line.holds.map((held) => held.words).join(", ") || "leave free"}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function ToBring({ plan }: { plan: Schemas["PlanView"] }) {
  return (
    <section aria-label="To cut and to bring" className="print-page grid gap-6 lg:grid-cols-2">
      <div>
        <h2 className="mb-2 text-[16px]">To bring</h2>
        <ul className="list-disc pl-5 text-[14px]">
          {plan.parts.map((part) => (
            <li key={part.what}>
              <span className="font-mono">{part.count}</span> × {part.what}
            </li>
          ))}
        </ul>
        <h2 className="mt-4 mb-2 text-[16px]">Tools</h2>
        <ul className="list-disc pl-5 text-[14px]">
          {plan.tools.map((tool) => (
            <li key={tool}>{tool}</li>
          ))}
        </ul>
      </div>
      {plan.cutList.length > 0 && (
        <div>
          <h2 className="mb-2 text-[16px]">Jumpers to cut</h2>
          <table className="table-xs table">
            <thead>
              <tr>
                <th>Pieces</th>
                <th>Colour</th>
                <th>Size</th>
                <th>Length</th>
              </tr>
            </thead>
            <tbody>
              {plan.cutList.map((line) => (
                <tr key={`${line.colour} ${line.mm2} ${line.lengthMm}`} className="font-mono">
                  <td>{line.count}</td>
                  <td>{words(line.colour)}</td>
                  <td>{withUnit(line.mm2, "mm²")}</td>
                  <td>{withUnit(line.lengthMm, "mm")}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="text-soft mt-1 text-[13px]">
            Lengths are from the size of the box with a working loop; common practice, measure before cutting.
          </p>
        </div>
      )}
    </section>
  );
}

const words = (code: string) => code.toLowerCase().replaceAll("_", " ");
