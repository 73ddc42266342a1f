import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/transport";
import { stockOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { money } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { TopBar } from "../job/TopBar";
import { ForLeads } from "../session/ForLeads";
import { Accessories } from "./Accessories";
import { Estimates } from "./Estimates";
import { Trade } from "./Trade";
import { ModuleForm } from "./ModuleForm";
import { Transfer } from "./Transfer";
import { Sideways } from "../../ui/Sideways";

type Item = Schemas["ModuleItem"];

/** The firm's modules and accessories: what makers state, what is on the shelf, what nobody knows. */
export function StockBookPage() {
  const stock = useQuery(stockOptions);
  const [params, setParams] = useSearchParams();
  const [find, setFind] = useState("");
  const shown = params.get("module");
  const modules = stock.data?.modules ?? [];
  const matching = modules.filter((m) => words(m).includes(find.toLowerCase()));
  const item = modules.find((m) => m.document.code === shown);
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="mx-auto w-full max-w-6xl flex-1 overflow-y-auto p-4 sm:p-6">
        <div className="mb-4 flex flex-wrap items-baseline justify-between gap-3">
          <h1 className="text-2xl">Stock book</h1>
          <Link to="/" className="btn btn-sm btn-outline">
            day book
          </Link>
        </div>
        {stock.isPending && <Waiting what="the stock book" />}
        {stock.isError && <Failure error={stock.error} onRetry={() => stock.refetch()} />}
        {item && (
          <ModuleForm key={item.document.code + item.version} item={item} onClose={() => setParams({})} />
        )}
        {stock.data && (
          <>
            <div className="mb-2 flex flex-wrap items-end gap-4">
              <TextField label="Find a module" value={find} onChange={setFind} className="w-64" />
              <span className="text-soft pb-2">
                {matching.length} of {modules.length} modules
              </span>
            </div>
            <ModuleTable items={matching} onOpen={(code) => setParams({ module: code })} />
            <Accessories items={stock.data.accessories} />
            <ForLeads>
              <Trade />
              <Estimates />
              <Transfer />
            </ForLeads>
          </>
        )}
      </main>
    </div>
  );
}

const words = ({ document: d }: Item) =>
  `${d.code} ${d.maker} ${d.name} ${d.protocol} ${d.purpose}`.toLowerCase();

function ModuleTable({ items, onOpen }: { items: Item[]; onOpen: (code: string) => void }) {
  return (
    <Sideways>
      <table className="table-sm table" aria-label="modules">
        <thead>
          <tr>
            <th>Code</th>
            <th>What it is</th>
            <th className="text-right">Size, mm</th>
            <th className="text-right">Price</th>
            <th className="text-right">On the shelf</th>
            <th>Nobody states</th>
          </tr>
        </thead>
        <tbody>
          {items.map((item) => (
            <tr key={item.document.code} className={item.retired ? "text-soft" : ""}>
              <td>
                <button
                  type="button"
                  className="link font-mono font-semibold whitespace-nowrap"
                  onClick={() => onOpen(item.document.code)}
                >
                  {item.document.code}
                </button>
              </td>
              <td>
                {item.document.name}
                <span className="text-soft block text-[13px]">
                  {item.document.maker}
                  {item.retired && ", no longer bought"}
                </span>
              </td>
              <td className="font-mono text-right whitespace-nowrap">{size(item.document)}</td>
              <td className="font-mono text-right whitespace-nowrap">
                {money(item.document.priceCents == null ? null : item.document.priceCents / 100)}
              </td>
              <td className="font-mono text-right">{item.onHand}</td>
              <td className="text-[13px]">{item.unknown.join(", ")}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Sideways>
  );
}

function size(d: Schemas["ModuleDocument"]): string {
  return d.lengthMm == null ? "unknown" : `${d.lengthMm} × ${d.widthMm} × ${d.thicknessMm}`;
}
