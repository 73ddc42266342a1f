import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, pickListOptions, jobCostOptions } from "./api";
import { useLeads } from "../session/api";
import { Failure } from "../../ui/Failure";
import { money, withUnit } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { SheetLayout } from "../job/SheetLayout";
import { CostPart } from "./CostPart";
import { HousePages } from "./HousePages";
import { Sideways } from "../../ui/Sideways";

type Line = Schemas["OrderLine"];

/** What the plans of the house take, by supplier; what is on the shelf or arrived is not ordered. */
export function PickListSheet({ job }: { job: Schemas["JobView"] }) {
  const list = useQuery(pickListOptions(job.id));
  const leads = useLeads();
  const [taking, take] = useState<string | null>(null);
  if (list.isPending) {
    return <Waiting what="the pick list" />;
  }
  const suppliers = list.data ?? [];
  return (
    <SheetLayout
      title="Pick list"
      detail={<HousePages job={job.id} page="/pick-list" />}
      actions={
        <span className="no-print flex gap-2">
          {leads && (
            <a className="btn btn-sm btn-outline" href={`/api/v1/jobs/${job.id}/pick-list.csv`} download>
              as CSV
            </a>
          )}
          <button type="button" className="btn btn-sm btn-outline" onClick={() => window.print()}>
            print
          </button>
        </span>
      }
    >
      {list.isError && <Failure error={list.error} onRetry={() => list.refetch()} />}
      {list.data?.length === 0 && <p>Nothing is picked yet. Match the house, and take a choice over.</p>}
      {suppliers.map((order) => (
        <section key={order.supplier} className="mb-6">
          <h2 className="mb-1 text-[16px]">{order.supplier || "Not in the stock book"}</h2>
          <Lines
            job={job.id}
            order={order}
            taking={taking}
            onTake={(code) => take(taking === code ? null : code)}
          />
        </section>
      ))}
      {suppliers.length > 0 && leads && <CostPart job={job.id} />}
      {suppliers.length > 0 && (
        <p className="text-soft max-w-prose text-sm">
          Spares are the firm's share of all pieces of a kind, of what is used most; a lead sets it in the
          stock book.
        </p>
      )}
    </SheetLayout>
  );
}

type LinesProps = {
  job: string;
  order: Schemas["SupplierView"];
  taking: string | null;
  onTake: (code: string) => void;
};

function Lines({ job, order, taking, onTake }: LinesProps) {
  return (
    <Sideways>
      <table className="table-sm table">
        <thead>
          <tr>
            <th>Code</th>
            <th>What it is</th>
            <th className="text-right">Needed</th>
            <th className="text-right">Spare</th>
            <th className="text-right">On the shelf</th>
            <th className="text-right">Arrived</th>
            <th className="text-right">To order</th>
            <th className="text-right">Price, {order.currency}</th>
            <th className="no-print" />
          </tr>
        </thead>
        <tbody>
          {order.lines.map((line) => (
            <LineRow
              key={line.kind + line.words}
              job={job}
              line={line}
              open={line.code !== "" && taking === line.code}
              onTake={() => onTake(line.code)}
            />
          ))}
        </tbody>
        {order.sum != null && (
          <tfoot className="text-base-content">
            <tr>
              <th colSpan={7} className="text-right">
                To order{order.unpriced && ", without those whose price is unknown"}
              </th>
              <td className="font-mono text-right font-bold whitespace-nowrap">
                {withUnit(order.sum.toFixed(2), order.currency)}
              </td>
              <td className="no-print" />
            </tr>
          </tfoot>
        )}
      </table>
    </Sideways>
  );
}

type RowProps = { job: string; line: Line; open: boolean; onTake: () => void };

function LineRow({ job, line, open, onTake }: RowProps) {
  const figure = "font-mono text-right whitespace-nowrap";
  const arrived = line.arrived > 0 && line.toOrder === 0;
  return (
    <>
      <tr>
        <td className="font-mono whitespace-nowrap">{line.code}</td>
        <td>
          {line.words}
          {line.serials.length > 0 && (
            <span className="text-soft font-mono block text-[12.5px]">{line.serials.join(", ")}</span>
          )}
        </td>
        <td className={figure}>{withUnit(line.needed, line.unit)}</td>
        <td className={figure}>{line.spare}</td>
        <td className={figure}>{line.onHand}</td>
        <td className={figure}>{line.arrived}</td>
        <td className={`${figure} font-bold`}>
          {line.packs && line.packs.packs > 0 ? `${line.packs.packs} × ${line.packs.pieces}` : line.toOrder}
          {line.packs && line.packs.left > 0 && (
            <span className="text-soft block text-[12.5px] font-normal">
              {line.packs.left} go on the shelf
            </span>
          )}
        </td>
        <td className={figure}>{money(line.price)}</td>
        <td className="no-print">
          {line.code &&
            (arrived ? (
              <span className="text-success">all here</span>
            ) : (
              <button type="button" className="btn btn-xs btn-outline" onClick={onTake} aria-expanded={open}>
                goods in
              </button>
            ))}
        </td>
      </tr>
      {open && (
        <tr className="no-print">
          <td colSpan={9}>
            <GoodsIn job={job} line={line} onDone={onTake} />
          </td>
        </tr>
      )}
    </>
  );
}

/** Goods that arrive: how many, and their serials, scanned or typed with spaces between. */
function GoodsIn({ job, line, onDone }: { job: string; line: Line; onDone: () => void }) {
  const [count, setCount] = useState(
    String(Math.max(1, line.packs ? line.packs.packs * line.packs.pieces : line.toOrder)),
  );
  const [serials, setSerials] = useState("");
  const queries = useQueryClient();
  const arrive = useMutation({
    mutationFn: () =>
      api.goodsIn(job, {
        code: line.code,
        quantity: Number(count),
        serials: serials.split(/\s+/).filter((serial) => serial !== ""),
      }),
    onSuccess: async () => {
      onDone();
      await queries.invalidateQueries({ queryKey: pickListOptions(job).queryKey });
      // What the work costs follows from what is there.
      await queries.invalidateQueries({ queryKey: jobCostOptions(job).queryKey });
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    arrive.mutate();
  };
  return (
    <form onSubmit={submit} className="flex flex-wrap items-end gap-3" aria-label={`goods in, ${line.code}`}>
      <TextField
        label="How many"
        inputMode="numeric"
        value={count}
        onChange={setCount}
        className="w-24"
        required
      />
      {line.kind === "MODULE" && (
        <TextField
          label="Serial numbers, scanned or typed"
          value={serials}
          onChange={setSerials}
          className="min-w-64 flex-1"
        />
      )}
      <button type="submit" className="btn btn-sm btn-primary" disabled={arrive.isPending}>
        take in
      </button>
      {arrive.isError && <Failure error={arrive.error} />}
    </form>
  );
}
