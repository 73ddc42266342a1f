import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { jobCostOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { counted } from "../../ui/figures";

/** What the job costs, to be printed as a quote. */
export function CostPart({ job }: { job: string }) {
  const cost = useQuery(jobCostOptions(job));
  if (cost.isError) {
    return <Failure error={cost.error} onRetry={() => cost.refetch()} />;
  }
  return cost.data && cost.data.works > 0 ? <Quote job={job} cost={cost.data} /> : null;
}

const THIN = "\u2009";

export function inHours(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  return (
    [hours > 0 && `${hours}${THIN}h`, minutes % 60 > 0 && `${minutes % 60}${THIN}min`]
      .filter(Boolean)
      .join(" ") || `0${THIN}min`
  );
}

export function Quote({ job, cost }: { job: string; cost: Schemas["JobCostView"] }) {
  const amount = (value: number) => `${value.toFixed(2)}${THIN}${cost.currency}`;
  const rows: [string, string][] = [
    ["Modules", amount(cost.modules)],
    ["Small parts", amount(cost.smallParts)],
    [
      `Work: ${inHours(cost.minutes)} for ${counted(cost.works, "work")}, ${cost.measured > 0 ? `by ${counted(cost.measured, "run sheet")} so far` : "by usual times, nothing is measured yet"}`,
      cost.labour == null ? "nobody said what an hour costs" : amount(cost.labour),
    ],
    ["Without tax", amount(cost.net)],
    [`Tax, ${cost.taxPercent}${THIN}%`, amount(cost.tax)],
  ];
  return (
    <section aria-label="what the job costs" className="mb-6 max-w-2xl">
      <h2 className="mb-1 text-[16px]">What the job costs</h2>
      <table className="table-sm table">
        <tbody>
          {rows.map(([what, figure]) => (
            <tr key={what}>
              <th className="font-normal">{what}</th>
              <td className="font-mono text-right whitespace-nowrap">{figure}</td>
            </tr>
          ))}
        </tbody>
        <tfoot className="text-base-content">
          <tr>
            <th>{cost.whole ? "Total" : "Total of what is known"}</th>
            <td className="font-mono text-right font-bold whitespace-nowrap">{amount(cost.total)}</td>
          </tr>
        </tfoot>
      </table>
      {cost.unpriced.length > 0 && (
        <p className="border-warning mt-2 border-l-4 pl-3 text-[14px]">
          Left out, as nobody knows the price: {cost.unpriced.join("; ")}.
        </p>
      )}
      <p className="text-soft mt-2 text-[13px]">
        What the plans take, spares left out; what is on the shelf counts as bought. A quote of it, work by
        work, is among the{" "}
        <Link className="text-primary underline" to={`/jobs/${job}/hand-over`}>
          papers
        </Link>
        .
      </p>
    </section>
  );
}
