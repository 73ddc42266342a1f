import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { guideOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { Logo } from "../../ui/Logo";
import { Tabs } from "../../ui/Tabs";
import { Waiting } from "../../ui/Waiting";
import { HousePlan } from "../live/HousePlan";
import { useLive } from "../live/useLive";

type Page = "guide" | "house";
const PAGES: Page[] = ["guide", "house"];

/** What a household sees of its house: what each switch does, and the stand-in house as it runs. */
export function GuestPage({ job, session }: { job: string; session: Schemas["SessionView"] }) {
  const [page, setPage] = useState<Page>("guide");
  const guide = useQuery(guideOptions(job));
  return (
    <div className="flex h-full flex-col">
      <header className="no-print border-base-content flex min-h-[52px] flex-wrap items-center gap-3 border-b-2 px-4 py-1">
        <Logo />
        <span className="font-head min-w-0 flex-1 truncate text-lg font-bold">{guide.data?.house}</span>
        <Tabs label="Your house" pages={PAGES} page={page} onPage={setPage} />
      </header>
      <main className="mx-auto w-full max-w-3xl flex-1 overflow-y-auto p-4 sm:p-6">
        {page === "guide" ? (
          <>
            {guide.isPending && <Waiting what="the guide" />}
            {guide.isError && <Failure error={guide.error} onRetry={() => guide.refetch()} />}
            {guide.data && <Guide guide={guide.data} />}
          </>
        ) : (
          <Running job={job} />
        )}
        {session.expiresAt && (
          <p className="text-soft mt-8 text-[14px]">This link is good until {moment(session.expiresAt)}.</p>
        )}
      </main>
    </div>
  );
}

function Guide({ guide }: { guide: Schemas["GuideView"] }) {
  return (
    <>
      {guide.draft && (
        <p className="border-warning mb-4 border-l-4 pl-3">
          The work is not finished: this is how it will be. Not every switch does so yet.
        </p>
      )}
      {guide.rooms.map((room) => (
        <section key={`${room.storey} ${room.name}`} className="mb-7">
          <h2 className="border-base-content mb-2 border-b-2 pb-1 text-xl">{room.name}</h2>
          <dl className="space-y-3 text-[17px]">
            {room.switches.map((each) => (
              <div key={each.name}>
                <dt className="font-semibold">{each.name}</dt>
                <dd>{each.does.join(" ")}</dd>
              </div>
            ))}
          </dl>
          <Lines head="By itself" lines={room.byItself} />
          <Lines head="After a power cut" lines={room.afterCut} />
          <Lines head="While the internet is out" lines={room.withoutNet} />
          <Lines head="While the hub is off" lines={room.withoutHub} />
        </section>
      ))}
      <section>
        <h2 className="border-base-content mb-2 border-b-2 pb-1 text-xl">When something is out</h2>
        <dl className="space-y-3 text-[17px]">
          {guide.whenOut.map((advice) => (
            <div key={advice.head}>
              <dt className="font-semibold">{advice.head}</dt>
              <dd>{advice.words}</dd>
            </div>
          ))}
        </dl>
      </section>
    </>
  );
}

function Lines({ head, lines }: { head: string; lines: string[] }) {
  if (lines.length === 0) {
    return null;
  }
  return (
    <div className="mt-3">
      <h3 className="text-soft text-[15px]">{head}</h3>
      <ul className="list-disc pl-5 text-[17px]">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </div>
  );
}

function Running({ job }: { job: string }) {
  const { view, now, stale } = useLive(job);
  if (view.isPending) {
    return <Waiting what="the house" />;
  }
  if (view.isError && !view.data) {
    return <Failure error={view.error} onRetry={() => view.refetch()} />;
  }
  if (!now) {
    return <p>The house does not run at the moment. The firm lets it run when it shows something.</p>;
  }
  return (
    <>
      <p role="status" className="text-soft mb-3">
        {stale
          ? "There is no news of it at the moment."
          : "A stand-in that does what the plan says; you see it, and the firm works it."}
      </p>
      <fieldset disabled className="contents">
        <HousePlan storeys={view.data.storeys} now={now} does={() => undefined} />
      </fieldset>
    </>
  );
}

/** The link of a guest has run out, or was taken away. */
export function LinkOver() {
  return (
    <main className="mx-auto max-w-xl space-y-3 p-6">
      <Logo size={36} />
      <h1 className="text-2xl">This link is over</h1>
      <p>It has run out, or the firm took it away. Ask the firm for a new one.</p>
    </main>
  );
}
