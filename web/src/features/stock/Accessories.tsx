import { useMutation, useQueryClient } from "@tanstack/react-query";
import type { Schemas } from "../../api/transport";
import { api, stockOptions } from "./api";
import { money } from "../../ui/figures";
import { ForLeads } from "../session/ForLeads";

type Item = Schemas["AccessoryItem"];

/** Connectors, caps, sleeves, wire and the rest, with what is on the shelf. */
export function Accessories({ items }: { items: Item[] }) {
  const queries = useQueryClient();
  const change = useMutation({
    mutationFn: ({ item, onHand }: { item: Item; onHand: number }) =>
      api.changeAccessory(item.document.code, { version: item.version, document: item.document, onHand }),
    onSuccess: () => queries.invalidateQueries({ queryKey: stockOptions.queryKey }),
  });
  return (
    <details className="mt-6">
      <summary className="cursor-pointer text-lg font-semibold">{items.length} accessories</summary>
      <table className="table-sm mt-2 table" aria-label="accessories">
        <thead>
          <tr>
            <th>Code</th>
            <th>What it is</th>
            <th className="text-right">Price</th>
            <th className="text-right">On the shelf</th>
          </tr>
        </thead>
        <tbody>
          {items.map((item) => (
            <tr key={item.document.code}>
              <td className="font-mono">{item.document.code}</td>
              <td>{item.document.name}</td>
              <td className="font-mono text-right">
                {money(item.document.priceCents == null ? null : item.document.priceCents / 100)}
                {item.document.pieces != null && ` for ${item.document.pieces}`}
              </td>
              <td className="text-right">
                <ForLeads otherwise={item.onHand}>
                  <input
                    type="number"
                    min={0}
                    aria-label={`${item.document.code} on the shelf`}
                    className="input input-sm w-24 text-right"
                    defaultValue={item.onHand}
                    onBlur={(e) => {
                      const onHand = Number(e.target.value);
                      if (onHand !== item.onHand) {
                        change.mutate({ item, onHand });
                      }
                    }}
                  />
                </ForLeads>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
