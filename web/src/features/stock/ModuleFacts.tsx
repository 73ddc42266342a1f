import type { Schemas } from "../../api/transport";
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

type Column<T> = {
  label: string;
  wide?: boolean;
  /** What is kept differs from what is typed: the field keeps the typing. */
  late?: boolean;
  show: (row: T) => string;
  take: (text: string) => Partial<T>;
};

const INDICATOR: Column<Schemas["IndicatorEntry"]>[] = [
  { label: "State", show: (i) => i.state, take: (state) => ({ state }) },
  { label: "Pattern", wide: true, show: (i) => i.pattern, take: (pattern) => ({ pattern }) },
];
const FIRMWARE: Column<Schemas["FirmwareEntry"]>[] = [
  { label: "Line", show: (f) => f.name, take: (name) => ({ name }) },
  { label: "Version", show: (f) => f.version, take: (version) => ({ version }) },
  {
    label: "Features, with commas",
    wide: true,
    late: true,
    show: (f) => f.features.join(", "),
    take: (text) => ({ features: listed(text) }),
  },
];
const ENDPOINT: Column<Schemas["EndpointEntry"]>[] = [
  { label: "Number", show: (e) => String(e.number), take: (text) => ({ number: figureOf(text) ?? 0 }) },
  { label: "Drives", wide: true, show: (e) => e.drives, take: (drives) => ({ drives }) },
];
const TERMINAL: Column<Schemas["TerminalEntry"]>[] = [
  { label: "Name", show: (t) => t.name, take: (name) => ({ name }) },
  { label: "Conductors", show: (t) => String(t.takes), take: (text) => ({ takes: figureOf(text) ?? 0 }) },
];
const PAIRING: Column<Schemas["PairingEntry"]>[] = [
  { label: "What to do", wide: true, show: (p) => p.words, take: (words) => ({ words }) },
];

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
              <Cells name={name} row={t} change={change} columns={TERMINAL} />
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
              <Cells name={name} row={p} change={change} columns={PAIRING} />
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
          {(row, change, name) => <Cells name={name} row={row} change={change} columns={INDICATOR} />}
        </RowsField>
        <RowsField
          title="Firmware"
          rows={d.firmware ?? []}
          blank={() => ({ name: "", version: "", features: [] as string[] })}
          onChange={(firmware) => set({ firmware })}
        >
          {(row, change, name) => <Cells name={name} row={row} change={change} columns={FIRMWARE} />}
        </RowsField>
        <RowsField
          title="Endpoints"
          rows={d.endpoints ?? []}
          blank={() => ({ number: 1, drives: "" })}
          onChange={(endpoints) => set({ endpoints })}
        >
          {(row, change, name) => <Cells name={name} row={row} change={change} columns={ENDPOINT} />}
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

/** Short fields of a row; each label is heard with the row's name. */
function Cells<T>(props: { name: string; row: T; change: (part: Partial<T>) => void; columns: Column<T>[] }) {
  const { name, row, change, columns } = props;
  return columns.map(({ label, wide, late, show, take }) => (
    <TextField
      key={label}
      label={label}
      aria-label={`${name}: ${label}`}
      className={wide ? "min-w-56 flex-1" : "w-28"}
      {...(late ? { defaultValue: show(row) } : { value: show(row) })}
      onChange={(text) => change(take(text))}
      required={!late}
    />
  ));
}
