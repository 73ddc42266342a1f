import type { Control } from "react-hook-form";
import type { Schemas } from "../../api/transport";
import { Figure, Listed, Text, Truth } from "../../ui/fields";
import { RowsField } from "../../ui/RowsField";
import type { ModuleValues } from "./moduleValues";

type Props = { control: Control<ModuleValues>; kind: Schemas["ModuleDocument"]["supply"]["type"] };

/** Terminals, pairing, indicator, firmware, endpoints and supply: what is looked up at the bench. */
export function ModuleFacts({ control, kind }: Props) {
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
        <Supply control={control} kind={kind} />
        <RowsField
          control={control}
          name="document.terminals"
          title="Terminals and leads"
          blank={{ name: "", takes: 1 }}
        >
          {(row, heard) => (
            <>
              <Text
                control={control}
                name={`${row}.name`}
                label="Name"
                heard={`${heard}: Name`}
                className="w-28"
                required
              />
              <Figure
                control={control}
                name={`${row}.takes`}
                label="Conductors"
                heard={`${heard}: Conductors`}
                className="w-28"
                required
              />
              <Figure control={control} name={`${row}.maxMm2`} label="Up to, mm²" className="w-28" />
              <Figure control={control} name={`${row}.leadMm`} label="Flying lead, mm" className="w-32" />
            </>
          )}
        </RowsField>
        <RowsField
          control={control}
          name="document.pairing"
          title="Ways into pairing"
          blank={{ words: "", overAir: false }}
        >
          {(row, heard) => (
            <>
              <Text
                control={control}
                name={`${row}.words`}
                label="What to do"
                heard={`${heard}: What to do`}
                className="min-w-56 flex-1"
                required
              />
              <Truth
                control={control}
                name={`${row}.overAir`}
                label="Works when the box is"
                no="open only"
                yes="closed too"
              />
            </>
          )}
        </RowsField>
        <RowsField
          control={control}
          name="document.indicators"
          title="Indicator"
          blank={{ state: "", pattern: "" }}
        >
          {(row, heard) => (
            <>
              <Text
                control={control}
                name={`${row}.state`}
                label="State"
                heard={`${heard}: State`}
                className="w-28"
                required
              />
              <Text
                control={control}
                name={`${row}.pattern`}
                label="Pattern"
                heard={`${heard}: Pattern`}
                className="min-w-56 flex-1"
                required
              />
            </>
          )}
        </RowsField>
        <RowsField
          control={control}
          name="document.firmware"
          title="Firmware"
          blank={{ name: "", version: "", features: [] }}
        >
          {(row, heard) => (
            <>
              <Text
                control={control}
                name={`${row}.name`}
                label="Line"
                heard={`${heard}: Line`}
                className="w-28"
                required
              />
              <Text
                control={control}
                name={`${row}.version`}
                label="Version"
                heard={`${heard}: Version`}
                className="w-28"
                required
              />
              <Listed
                control={control}
                name={`${row}.features`}
                label="Features, with commas"
                heard={`${heard}: Features, with commas`}
                className="min-w-56 flex-1"
              />
            </>
          )}
        </RowsField>
        <RowsField
          control={control}
          name="document.endpoints"
          title="Endpoints"
          blank={{ number: 1, drives: "" }}
        >
          {(row, heard) => (
            <>
              <Figure
                control={control}
                name={`${row}.number`}
                label="Number"
                heard={`${heard}: Number`}
                className="w-28"
                required
              />
              <Text
                control={control}
                name={`${row}.drives`}
                label="Drives"
                heard={`${heard}: Drives`}
                className="min-w-56 flex-1"
                required
              />
            </>
          )}
        </RowsField>
      </div>
    </details>
  );
}

function Supply({ control, kind }: Props) {
  const figures = [
    ["minVolts", "Lowest supply, V"],
    ["maxVolts", "Highest supply, V"],
    ...(kind === "TWO_WIRE"
      ? ([
          ["standbyMilliamps", "Through the lamp at rest, mA"],
          ["minimumLoadWatts", "Least load, W"],
        ] as const)
      : ([["watts", "Own draw, W"]] as const)),
  ] as const;
  return (
    <div className="flex flex-wrap items-end gap-2">
      {figures.map(([field, label]) => (
        <Figure
          key={field}
          control={control}
          name={`document.supply.${field}`}
          label={label}
          className="w-44"
        />
      ))}
      <Figure
        control={control}
        name="document.blink.holdUpMs"
        label="Holds up without supply, ms"
        className="w-44"
      />
      <Text
        control={control}
        name="document.defaultFunction"
        label="Function as delivered"
        className="w-56"
        optional
      />
      <Listed control={control} name="document.markets" label="Approved in, with commas" className="w-44" />
    </div>
  );
}
