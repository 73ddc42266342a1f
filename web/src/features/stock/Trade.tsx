import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, tradeOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";

type Document = Schemas["TradeDocument"];

const words = (kind: string) => kind.toLowerCase().replaceAll("_", " ");
const figure = (text: string) => Number(text.replace(",", "."));

/** How the firm buys and charges: the currency of every price, tax, an hour, and what is taken along as spares. */
export function Trade() {
  const trade = useQuery(tradeOptions);
  return trade.data ? (
    <Form key={trade.data.version} version={trade.data.version} kept={trade.data.document} />
  ) : null;
}

function Form({ version, kept }: { version: number; kept: Document }) {
  const queries = useQueryClient();
  const [currency, setCurrency] = useState(kept.currency);
  const [withTax, setWithTax] = useState(kept.pricesWithTax);
  const [tax, setTax] = useState(String(kept.taxPercent));
  const [hour, setHour] = useState(kept.hour == null ? "" : String(kept.hour));
  const [spares, setSpares] = useState<Record<string, string>>({});
  const keep = useMutation({
    mutationFn: () =>
      api.keepTrade({
        version,
        document: {
          currency: currency.trim().toUpperCase(),
          pricesWithTax: withTax,
          taxPercent: figure(tax),
          hour: hour.trim() === "" ? undefined : figure(hour),
          sparePercent: {
            ...kept.sparePercent,
            ...Object.fromEntries(
              Object.entries(spares).map(([kind, text]) => [kind, Math.round(figure(text))]),
            ),
          },
        },
      }),
    onSuccess: () => queries.invalidateQueries(),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate();
  };
  return (
    <details className="mt-4">
      <summary className="cursor-pointer text-lg font-semibold">
        Prices, hours and spares
        <span className="text-soft ml-3 text-[14px] font-normal">
          {kept.currency}, {kept.pricesWithTax ? "with" : "without"} tax
        </span>
      </summary>
      <form onSubmit={submit} className="mt-2 space-y-3">
        <div className="flex flex-wrap items-end gap-3">
          <TextField
            label="Currency, three letters"
            value={currency}
            onChange={setCurrency}
            maxLength={3}
            className="w-44"
            required
          />
          <TextField
            label="Tax, %"
            inputMode="decimal"
            value={tax}
            onChange={setTax}
            className="w-28"
            required
          />
          <TextField
            label="An hour of work, without tax"
            inputMode="decimal"
            value={hour}
            onChange={setHour}
            className="w-56"
          />
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={withTax}
              onChange={(event) => setWithTax(event.target.checked)}
            />
            prices of the stock book have the tax in them
          </label>
        </div>
        <fieldset>
          <legend className="text-soft text-[14px]">
            Spares, in % of all pieces of a kind that a job takes; a tenth is common practice, no source
          </legend>
          <div className="mt-1 flex flex-wrap gap-3">
            {Object.entries(kept.sparePercent).map(([kind, percent]) => (
              <TextField
                key={kind}
                label={words(kind)}
                inputMode="numeric"
                value={spares[kind] ?? String(percent)}
                onChange={(text) => setSpares({ ...spares, [kind]: text })}
                className="w-32"
              />
            ))}
          </div>
        </fieldset>
        <button type="submit" className="btn btn-sm btn-outline" disabled={keep.isPending}>
          keep prices, hours and spares
        </button>
        {keep.isError && <Failure error={keep.error} />}
      </form>
    </details>
  );
}
