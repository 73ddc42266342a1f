import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, type Schemas } from "../../api/client";
import { jobsOptions, regionsOptions } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { TopBar } from "../job/TopBar";

/** All jobs, and a new one. */
export function DayBookPage() {
  const jobs = useQuery(jobsOptions);
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="mx-auto w-full max-w-4xl flex-1 overflow-y-auto p-4 sm:p-6">
        <div className="mb-4 flex flex-wrap items-baseline justify-between gap-3">
          <h1 className="text-2xl">Day book</h1>
          <div className="flex gap-2">
            <Link to="/stock" className="btn btn-sm btn-outline">
              stock book
            </Link>
            <Link to="/practice" className="btn btn-sm btn-outline">
              practice wall
            </Link>
          </div>
        </div>
        {jobs.isPending && <Waiting what="the jobs" />}
        {jobs.isError && <Failure error={jobs.error} onRetry={() => jobs.refetch()} />}
        {jobs.data && <JobList jobs={jobs.data} />}
        <NewJob />
      </main>
    </div>
  );
}

function JobList({ jobs }: { jobs: Schemas["JobEntry"][] }) {
  if (jobs.length === 0) {
    return <p className="text-soft mb-6">No jobs yet. Open the first one below.</p>;
  }
  return (
    <ul className="mb-8 space-y-2">
      {jobs.map((job) => (
        <li key={job.id}>
          <Link
            to={`/jobs/${job.id}`}
            className="bg-base-100 border-line hover:border-primary flex items-baseline justify-between gap-4 rounded-[4px] border p-4"
          >
            <span>
              <span className="font-head text-lg font-semibold">{job.name}</span>{" "}
              <span className="text-soft">{job.place}</span>
            </span>
            <span className="text-soft text-sm">
              {job.regionLabel} · {job.boxes} {job.boxes === 1 ? "box" : "boxes"}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

function NewJob() {
  const regions = useQuery(regionsOptions);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [name, setName] = useState("");
  const [place, setPlace] = useState("");
  const [region, setRegion] = useState<Schemas["NewJob"]["region"]>("EU_230");
  const open = useMutation({
    mutationFn: () => api.addJob({ name, place, region }),
    onSuccess: async (made) => {
      await queries.invalidateQueries({ queryKey: ["jobs"] });
      navigate(`/jobs/${made.id}`);
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    open.mutate();
  };
  return (
    <section className="border-line border-t pt-4">
      <h2 className="mb-3 text-lg">Open a job</h2>
      <form onSubmit={submit} className="grid items-end gap-3 sm:grid-cols-[2fr_2fr_2fr_auto]">
        <TextField label="Name of the house" value={name} onChange={setName} required maxLength={120} />
        <TextField label="Place" value={place} onChange={setPlace} maxLength={200} />
        <Choice
          label="Region"
          value={region}
          onChange={setRegion}
          options={(regions.data ?? []).map((r) => ({ value: r.region, label: r.label }))}
        />
        <button type="submit" className="btn btn-primary" disabled={open.isPending}>
          open the job
        </button>
      </form>
      {open.isError && (
        <div className="mt-3">
          <Failure error={open.error} />
        </div>
      )}
    </section>
  );
}
