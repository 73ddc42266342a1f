import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { Mark } from "../../ui/Mark";
import { JobDetails } from "./JobDetails";

type Entry = Schemas["DayBookEntryView"];

/** In the order in which a day begins: what waits today, what goes on, what is done. */
const ORDER: { title: string; takes: (entry: Entry) => boolean }[] = [
  { title: "Visits today", takes: (entry) => entry.today && entry.state !== "ARCHIVED" },
  { title: "On site", takes: (entry) => entry.state === "ON_SITE" },
  { title: "To hand over", takes: (entry) => entry.state === "TO_HAND_OVER" },
  { title: "Planning", takes: (entry) => entry.state === "PLANNING" },
  { title: "Handed over", takes: (entry) => entry.state === "HANDED_OVER" },
  { title: "Archived", takes: (entry) => entry.state === "ARCHIVED" },
];

/** Jobs by state, each with its next step and what blocks it. */
export function JobList({ jobs }: { jobs: Entry[] }) {
  if (jobs.length === 0) {
    return <p className="text-soft mb-6">No jobs yet. Open the first one below.</p>;
  }
  const groups = ORDER.map(({ title }) => ({
    title,
    jobs: jobs.filter((job) => ORDER.find((group) => group.takes(job))?.title === title),
  })).filter((group) => group.jobs.length > 0);
  return (
    <>
      {groups.map((group) => (
        <section key={group.title} aria-label={group.title} className="mb-6">
          <h2 className="mb-2 text-lg">{group.title}</h2>
          <ul className="space-y-2">
            {group.jobs.map((job) => (
              <Job key={job.id} job={job} />
            ))}
          </ul>
        </section>
      ))}
    </>
  );
}

const STAGE_PATH: Partial<Record<Entry["nextStage"], string>> = {
  MATCH: "/match",
  FIT: "/day",
  HAND_OVER: "/hand-over",
};

function Job({ job }: { job: Entry }) {
  const [open, setOpen] = useState(false);
  return (
    <li className="bg-base-100 border-line rounded-[4px] border p-4">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1">
        <span>
          <Link to={`/jobs/${job.id}`} className="font-head text-lg font-semibold hover:underline">
            {job.name}
          </Link>{" "}
          <span className="text-soft">{job.place}</span>
        </span>
        <span className="text-soft text-sm">
          {job.regionLabel} · {job.boxes} {job.boxes === 1 ? "box" : "boxes"}
        </span>
      </div>
      <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
        <span>
          {job.stateLabel}; next:{" "}
          <Link className="text-primary underline" to={`/jobs/${job.id}${STAGE_PATH[job.nextStage] ?? ""}`}>
            {job.next}
          </Link>
        </span>
        {job.visitOn && (
          <span className={job.today ? "font-semibold" : "text-soft"}>
            {job.today ? "visit today" : `visit on ${job.visitOn}`}
          </span>
        )}
        <span className="flex-1" />
        <button
          type="button"
          className="btn btn-xs btn-outline"
          aria-expanded={open}
          aria-label={`details of ${job.name}`}
          onClick={() => setOpen(!open)}
        >
          details
        </button>
      </div>
      {job.blocks.map((block) => (
        <p key={block} className="mt-1 flex items-center gap-2">
          <Mark kind="HOLD" size={16} />
          {block}
        </p>
      ))}
      {open && <JobDetails job={job} />}
    </li>
  );
}
