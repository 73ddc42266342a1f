import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { money, withUnit } from "../../ui/figures";
import { Mark } from "../../ui/Mark";
import { Sideways } from "../../ui/Sideways";

type Offer = Schemas["OfferView"];
type Toll = Schemas["TollView"];
type Scheme = Offer["scheme"];

type Props = { offers: Offer[]; chosen: Scheme | null; onChoose: (scheme: Scheme) => void };

/** Every scheme for a position: what applies with what it takes, what does not with the reason; two side by side. */
export function SchemeChooser({ offers, chosen, onChoose }: Props) {
  const [pair, setPair] = useState<Scheme[]>([]);
  const applying = offers.filter((offer) => offer.best);
  const others = offers.filter((offer) => !offer.best);
  const compared = pair.flatMap((scheme) => applying.filter((offer) => offer.scheme === scheme));
  const toggle = (scheme: Scheme) =>
    setPair(pair.includes(scheme) ? pair.filter((s) => s !== scheme) : [...pair.slice(-1), scheme]);
  return (
    <section aria-label="Schemes" className="mb-5">
      <h2 className="mb-2 text-[16px]">Ways to wire it</h2>
      <ul className="space-y-1.5">
        {applying.map((offer) => (
          <li key={offer.scheme}>
            <SchemeRow
              offer={offer}
              chosen={offer.scheme === chosen}
              compared={pair.includes(offer.scheme)}
              onChoose={() => onChoose(offer.scheme)}
              onCompare={() => toggle(offer.scheme)}
            />
          </li>
        ))}
      </ul>
      {applying.length === 0 && (
        <p className="font-semibold">No scheme applies here. The reasons stand below.</p>
      )}
      {compared.length === 2 && <SideBySide offers={compared} />}
      <details className="mt-2">
        <summary className="cursor-pointer text-[14px] font-semibold">
          {others.length} {others.length === 1 ? "way that does" : "ways that do"} not apply here, and why
        </summary>
        <ul className="mt-2 space-y-1.5 text-[14px]">
          {others.map((offer) => (
            <li key={offer.scheme} className="grid gap-x-4 sm:grid-cols-[minmax(220px,1fr)_2fr]">
              <span className="font-semibold">{offer.label}</span>
              <span>{offer.reasons.map((reason) => reason.reason).join(" ")}</span>
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}

type RowProps = {
  offer: Offer;
  chosen: boolean;
  compared: boolean;
  onChoose: () => void;
  onCompare: () => void;
};

function SchemeRow({ offer, chosen, compared, onChoose, onCompare }: RowProps) {
  const { best, toll } = offer;
  return (
    <div
      data-scheme={offer.scheme}
      className={`flex flex-wrap items-center gap-x-3 gap-y-1 rounded-[4px] border-[1.5px] px-3 py-2 ${
        chosen ? "border-primary bg-base-100" : "border-line"
      }`}
    >
      {best && <Mark kind={best.verdict} size={18} />}
      <button
        type="button"
        className="min-w-[200px] flex-1 text-left"
        aria-pressed={chosen}
        onClick={onChoose}
      >
        <span className="font-semibold">{offer.label}</span>
        <span className="text-soft block text-[13px]">
          {toll && tollWords(toll)}
          {best && (
            <>
              {" "}
              · <span className="whitespace-nowrap">best with {best.moduleCode}</span>
            </>
          )}
        </span>
      </button>
      <label className="flex items-center gap-1.5 text-[13px]">
        <input type="checkbox" className="checkbox checkbox-sm" checked={compared} onChange={onCompare} />
        compare
      </label>
    </div>
  );
}

function tollWords(toll: Toll): string {
  return [
    toll.modules === 0 ? "no module to buy" : `${toll.modules} ${toll.modules === 1 ? "module" : "modules"}`,
    `${toll.boxes.length} ${toll.boxes.length === 1 ? "box" : "boxes"} to open`,
    withUnit(toll.minutes, "min"),
    toll.alwaysReachable ? "always reachable" : "off at the wall is off the network",
    toll.switchesWork ? "every switch works" : "wall switches do not command it",
  ].join(" · ");
}

const LINES: { label: string; of: (toll: Toll) => string }[] = [
  { label: "Modules", of: (toll) => String(toll.modules) },
  { label: "Price", of: (toll) => money(toll.price) },
  { label: "Boxes to open", of: (toll) => toll.boxes.join(", ") },
  { label: "New connectors", of: (toll) => String(toll.connectors) },
  { label: "Jumpers to make", of: (toll) => String(toll.jumpers) },
  { label: "Cores left over", of: (toll) => String(toll.cappedCores) },
  { label: "Work, an estimate", of: (toll) => withUnit(toll.minutes, "min") },
  { label: "Stays reachable", of: (toll) => (toll.alwaysReachable ? "always" : "not while off at the wall") },
  { label: "Every wall switch works", of: (toll) => (toll.switchesWork ? "yes" : "no") },
];

/** Two schemes line by line. */
function SideBySide({ offers }: { offers: Offer[] }) {
  return (
    <Sideways className="mt-3">
      <table className="table-sm table" aria-label="two schemes side by side">
        <thead>
          <tr>
            <th />
            {offers.map((offer) => (
              <th key={offer.scheme}>{offer.label}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Verdict</th>
            {offers.map((offer) => (
              <td key={offer.scheme}>{offer.best?.verdict ?? ""}</td>
            ))}
          </tr>
          {LINES.map((line) => (
            <tr key={line.label}>
              <th scope="row">{line.label}</th>
              {offers.map((offer) => (
                <td key={offer.scheme}>{offer.toll ? line.of(offer.toll) : ""}</td>
              ))}
            </tr>
          ))}
          <tr>
            <th scope="row">Be careful</th>
            {offers.map((offer) => (
              <td key={offer.scheme} className="align-top">
                <ul className="list-disc pl-4">
                  {offer.toll?.cautions.map((caution) => (
                    <li key={caution}>{caution}</li>
                  ))}
                </ul>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </Sideways>
  );
}
