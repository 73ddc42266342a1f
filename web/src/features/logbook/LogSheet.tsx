import { useInfiniteQuery } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/transport";
import { logOptions } from "./api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { Tabs } from "../../ui/Tabs";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { HousePages } from "../house/HousePages";
import { SheetLayout } from "../job/SheetLayout";

/** Charts are fetched by those who look at them only. */
const TrendsPart = lazy(() => import("./TrendsPart"));

type Entry = Schemas["LogEntryView"];
type Page = "story" | "trends";
const PAGES: Page[] = ["story", "trends"];

/** The log book of a job: every change as a story, and figures over time. */
export function LogSheet({ job }: { job: Schemas["JobView"] }) {
  const [page, setPage] = useState<Page>("story");
  return (
    <SheetLayout
      title="Log book"
      detail={<HousePages job={job.id} page="/log" />}
      actions={<Tabs label="Log book" pages={PAGES} page={page} onPage={setPage} />}
    >
      {page === "story" ? (
        <Story job={job} />
      ) : (
        <Suspense fallback={<Waiting what="the charts" />}>
          <TrendsPart job={job.id} />
        </Suspense>
      )}
    </SheetLayout>
  );
}

function Story({ job }: { job: Schemas["JobView"] }) {
  const [params, setParams] = useSearchParams();
  const wanted = {
    box: params.get("box") ?? "",
    who: params.get("who") ?? "",
    concept: params.get("concept") ?? "",
    text: params.get("text") ?? "",
  };
  const set = (key: keyof typeof wanted) => (value: string) => {
    const next = new URLSearchParams(params);
    if (value) {
      next.set(key, value);
    } else {
      next.delete(key);
    }
    setParams(next, { replace: true });
  };
  const log = useInfiniteQuery(logOptions(job.id, wanted));
  const [first] = log.data?.pages ?? [];
  const entries = log.data?.pages.flatMap((page) => page.entries) ?? [];
  const any = (word: string, values: string[]) => [
    { value: "", label: word },
    ...values.map((value) => ({ value, label: value })),
  ];
  return (
    <>
      <div className="no-print mb-4 flex flex-wrap items-end gap-3">
        <TextField label="Words" value={wanted.text} onChange={set("text")} maxLength={100} />
        <Choice
          label="Box"
          value={wanted.box}
          onChange={set("box")}
          options={[
            { value: "", label: "every box" },
            ...job.boxes.map((box) => ({ value: box.id, label: box.label })),
          ]}
        />
        <Choice
          label="What"
          value={wanted.concept}
          onChange={set("concept")}
          options={any("everything", first?.concepts ?? [])}
        />
        <Choice
          label="Who"
          value={wanted.who}
          onChange={set("who")}
          options={any("everybody", first?.people ?? [])}
        />
      </div>
      {log.isError && <Failure error={log.error} onRetry={() => log.refetch()} />}
      {log.isPending && <Waiting what="the log" />}
      {first && entries.length === 0 && <p>Nothing in the log is like this. Widen the filters above.</p>}
      <ol className="max-w-[90ch]">
        {entries.map((entry, i) => (
          <li key={entry.id}>
            {day(entry) !== day(entries[i - 1]) && <h2 className="mt-4 mb-1 text-[16px]">{day(entry)}</h2>}
            <Line job={job.id} entry={entry} />
          </li>
        ))}
      </ol>
      {log.hasNextPage && (
        <button
          type="button"
          className="btn btn-sm btn-outline mt-3"
          disabled={log.isFetchingNextPage}
          onClick={() => log.fetchNextPage()}
        >
          older
        </button>
      )}
    </>
  );
}

const DAY = new Intl.DateTimeFormat("en-GB", { weekday: "long", day: "numeric", month: "long" });
const TIME = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });
const day = (entry?: Entry) => (entry ? DAY.format(new Date(entry.at)) : "");
const DID: Record<string, string> = { ADDED: "added", CHANGED: "changed", REMOVED: "taken away" };

function Line({ job, entry }: { job: string; entry: Entry }) {
  return (
    <div className="border-line grid grid-cols-[3.5rem_1fr] gap-x-3 border-b py-1.5">
      <span className="font-mono text-[14px]">{TIME.format(new Date(entry.at))}</span>
      <div className="min-w-0">
        <p>
          {entry.boxId && entry.box && (
            <>
              <Link className="text-primary underline" to={`/jobs/${job}/boxes/${entry.boxId}/survey`}>
                {entry.box}
              </Link>{" "}
            </>
          )}
          <b>{entry.concept}</b> {entry.subject !== entry.box && entry.subject} {DID[entry.action]}{" "}
          <span className="text-soft text-[14px]">by {entry.who}</span>
        </p>
        {entry.changes.length > 0 && (
          <ul className="text-[14px] break-words">
            {entry.changes.slice(0, 12).map((change) => (
              <li key={change.field}>
                {change.field}: {change.before && <del className="text-soft">{change.before}</del>}{" "}
                {change.after || <span className="text-soft">nothing</span>}
              </li>
            ))}
            {entry.changes.length > 12 && (
              <li className="text-soft">and {entry.changes.length - 12} more values</li>
            )}
          </ul>
        )}
      </div>
    </div>
  );
}
