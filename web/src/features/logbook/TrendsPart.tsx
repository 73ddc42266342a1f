import { useQuery } from "@tanstack/react-query";
import { Line, LineChart, Tooltip, XAxis, YAxis } from "recharts";
import type { Schemas } from "../../api/transport";
import { trendsOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment, withUnit } from "../../ui/figures";
import { Waiting } from "../../ui/Waiting";

type Trend = Schemas["TrendView"];

/** Power, link quality and delay over time, one small chart for each test that was made more than once. */
export default function TrendsPart({ job }: { job: string }) {
  const trends = useQuery(trendsOptions(job));
  if (trends.isPending) {
    return <Waiting what="the figures" />;
  }
  if (trends.isError && !trends.data) {
    return <Failure error={trends.error} onRetry={() => trends.refetch()} />;
  }
  if (trends.data.length === 0) {
    return (
      <p>
        No figures yet. They come from the tests of the hand over and from each service visit that makes them
        again.
      </p>
    );
  }
  return (
    <>
      <p className="no-print mb-3">
        <a
          className="text-primary underline"
          href={`/api/v1/jobs/${job}/readings.senml.json`}
          download="readings.senml.json"
        >
          all figures as SenML
        </a>
      </p>
      <ul className="grid gap-4 sm:grid-cols-2 xl:grid-cols-3">
        {trends.data.map((trend) => (
          <li key={`${trend.kind} ${trend.name}`} className="border-line rounded-[4px] border p-3">
            <Chart trend={trend} />
          </li>
        ))}
      </ul>
    </>
  );
}

function Chart({ trend }: { trend: Trend }) {
  const last = trend.points.at(-1);
  const points = trend.points.map((point) => ({ when: moment(point.at), figure: point.figure }));
  return (
    <figure>
      <figcaption className="text-[14px]">
        <b>{trend.name}</b>, {trend.label}
        {last && (
          <span className={`font-mono block ${last.passed ? "" : "text-error"}`}>
            {withUnit(last.figure, trend.unit)} <span className="text-soft">{moment(last.at)}</span>
          </span>
        )}
      </figcaption>
      {points.length > 1 ? (
        <LineChart
          width={280}
          height={110}
          data={points}
          margin={{ top: 6, right: 8, bottom: 0, left: 0 }}
          accessibilityLayer
        >
          <XAxis dataKey="when" tick={{ fontSize: 11, fill: "var(--color-secondary)" }} />
          <YAxis
            width={38}
            domain={["auto", "auto"]}
            tick={{ fontSize: 11, fill: "var(--color-secondary)" }}
          />
          <Tooltip
            contentStyle={{ background: "var(--color-base-100)", borderColor: "var(--color-base-content)" }}
          />
          <Line
            dataKey="figure"
            name={trend.unit}
            stroke="var(--color-primary)"
            strokeWidth={2}
            isAnimationActive={false}
          />
        </LineChart>
      ) : (
        <p className="text-soft mt-1 text-[13px]">Read once; a line comes with the second visit.</p>
      )}
    </figure>
  );
}
