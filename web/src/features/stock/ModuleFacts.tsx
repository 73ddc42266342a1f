import type { Schemas } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { FigureField, figureOf } from "../../ui/FigureField";
import { RowsField } from "../../ui/RowsField";
import { TextField } from "../../ui/TextField";

type Document = Schemas["ModuleDocument"];

/** Words that are separated by commas, as a list without empty ones. */
const listed = (text: string) =>
  text
    .split(",")
    .map((word) => word.trim())
    .filter((word) => word !== "");

/** Terminals, pairing, indicator, firmware, endpoints and supply: what is looked up at the bench. */
export function ModuleFacts({
  document: d,
  set,
}: {
  document: Document;
  set: (part: Partial<Document>) => void;
}) {
  return (
    <details
      className="mt-3"
      onInvalidCapture={(e) => {
        // A browser can't point at a field that is folded away.
        e.currentTarget.open = true;
      }}
    >
      <summary className="cursor-pointer font-semibold">
        Supply, terminals, pairing, indicator, firmware, endpoints
      </summary>
      <div className="mt-2 grid gap-4">
        <Supply document={d} set={set} />
        <RowsField
          title="Terminals and leads"
          rows={d.terminals}
          blank={(): Schemas["TerminalEntry"] => ({ name: "", takes: 1 })}
          onChange={(terminals) => set({ terminals })}
        >
          {(t, change, name) => (
            <>
              <Cell name={name} label="Name" value={t.name} onChange={(v) => change({ name: v })} required />
              <Cell
                name={name}
                label="Conductors"
                value={String(t.takes)}
                onChange={(v) => change({ takes: figureOf(v) ?? 0 })}
                required
              />
              <FigureField
                label="Up to, mm²"
                className="w-28"
                start={t.maxMm2}
                onChange={(v) => change({ maxMm2: v })}
              />
              <FigureField
                label="Flying lead, mm"
                className="w-32"
                start={t.leadMm}
                onChange={(v) => change({ leadMm: v })}
              />
            </>
          )}
        </RowsField>
        <RowsField
          title="Ways into pairing"
          rows={d.pairing ?? []}
          blank={() => ({ words: "", overAir: false })}
          onChange={(pairing) => set({ pairing })}
        >
          {(p, change, name) => (
            <>
              <Cell
                name={name}
                label="What to do"
                wide
                value={p.words}
                onChange={(v) => change({ words: v })}
                required
              />
              <Choice
                label="Works when the box is"
                value={p.overAir ? "closed" : "open"}
                onChange={(v) => change({ overAir: v === "closed" })}
                options={[
                  { value: "open", label: "open only" },
                  { value: "closed", label: "closed too" },
                ]}
              />
            </>
          )}
        </RowsField>
        <RowsField
          title="Indicator"
          rows={d.indicators ?? []}
          blank={() => ({ state: "", pattern: "" })}
          onChange={(indicators) => set({ indicators })}
        >
          {(i, change, name) => (
            <>
              <Cell
                name={name}
                label="State"
                value={i.state}
                onChange={(v) => change({ state: v })}
                required
              />
              <Cell
                name={name}
                label="Pattern"
                wide
                value={i.pattern}
                onChange={(v) => change({ pattern: v })}
                required
              />
            </>
          )}
        </RowsField>
        <RowsField
          title="Firmware"
          rows={d.firmware ?? []}
          blank={() => ({ name: "", version: "", features: [] as string[] })}
          onChange={(firmware) => set({ firmware })}
        >
          {(f, change, name) => (
            <>
              <Cell name={name} label="Line" value={f.name} onChange={(v) => change({ name: v })} required />
              <Cell
                name={name}
                label="Version"
                value={f.version}
                onChange={(v) => change({ version: v })}
                required
              />
              <Cell
                name={name}
                label="Features, with commas"
                wide
                value={f.features.join(", ")}
                onChange={(v) => change({ features: listed(v) })}
                late
              />
            </>
          )}
        </RowsField>
        <RowsField
          title="Endpoints"
          rows={d.endpoints ?? []}
          blank={() => ({ number: 1, drives: "" })}
          onChange={(endpoints) => set({ endpoints })}
        >
          {(e, change, name) => (
            <>
              <Cell
                name={name}
                label="Number"
                value={String(e.number)}
                onChange={(v) => change({ number: figureOf(v) ?? 0 })}
                required
              />
              <Cell
                name={name}
                label="Drives"
                wide
                value={e.drives}
                onChange={(v) => change({ drives: v })}
                required
              />
            </>
          )}
        </RowsField>
      </div>
    </details>
  );
}

function Supply({ document: d, set }: { document: Document; set: (part: Partial<Document>) => void }) {
  const figures = [
    ["minVolts", "Lowest supply, V"],
    ["maxVolts", "Highest supply, V"],
    ...(d.supply.type === "TWO_WIRE"
      ? ([
          ["standbyMilliamps", "Through the lamp at rest, mA"],
          ["minimumLoadWatts", "Least load, W"],
        ] as const)
      : ([["watts", "Own draw, W"]] as const)),
  ] as const;
  return (
    <div className="flex flex-wrap items-end gap-2">
      {figures.map(([field, label]) => (
        <FigureField
          key={field}
          label={label}
          className="w-44"
          start={d.supply[field]}
          onChange={(figure) => set({ supply: { ...d.supply, [field]: figure } })}
        />
      ))}
      <FigureField
        label="Holds up without supply, ms"
        className="w-44"
        start={d.blink?.holdUpMs}
        onChange={(holdUpMs) =>
          set({
            blink: holdUpMs === undefined ? undefined : { minimumMs: d.blink?.minimumMs ?? 0, holdUpMs },
          })
        }
      />
      <TextField
        label="Function as delivered"
        className="w-56"
        value={d.defaultFunction ?? ""}
        onChange={(text) => set({ defaultFunction: text || undefined })}
      />
      <TextField
        label="Approved in, with commas"
        className="w-44"
        defaultValue={d.markets.join(", ")}
        onChange={(text) => set({ markets: listed(text) })}
      />
    </div>
  );
}

/** A short field of a row; its label is heard with the row's name. */
function Cell(props: {
  name: string;
  label: string;
  value: string;
  onChange: (value: string) => void;
  wide?: boolean;
  /** What is kept differs from what is typed: the field keeps the typing. */
  late?: boolean;
  required?: boolean;
}) {
  const { name, label, value, onChange, wide, late, required } = props;
  return (
    <TextField
      label={label}
      aria-label={`${name}: ${label}`}
      className={wide ? "min-w-56 flex-1" : "w-28"}
      {...(late ? { defaultValue: value } : { value })}
      onChange={onChange}
      required={required}
    />
  );
}
