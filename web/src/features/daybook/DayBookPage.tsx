import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useMemo, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Schemas } from "../../api/transport";
import { api, dayBookOptions } from "./api";
import { regionsOptions } from "../job/api";
import { sessionOptions } from "../session/api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";
import { useKeys } from "../../ui/useKeys";
import { Waiting } from "../../ui/Waiting";
import { SearchBox } from "../job/SearchBox";
import { TopBar } from "../job/TopBar";
import { CampaignsPart } from "./CampaignsPart";
import { JobFile } from "./JobFile";
import { JobList } from "./JobList";

/** All jobs, and a new one. */
export function DayBookPage() {
  const jobs = useQuery(dayBookOptions);
  const session = useQuery(sessionOptions);
  const role = session.data?.role;
  const search = useRef<HTMLInputElement>(null);
  const keys = useMemo(() => ({ "/": () => search.current?.focus() }), []);
  useKeys(keys);
  return (
    <div className="flex h-full flex-col">
      <TopBar search={<SearchBox ref={search} />} />
      <main className="mx-auto w-full max-w-4xl flex-1 overflow-y-auto p-4 sm:p-6">
        <div className="mb-4 flex flex-wrap items-baseline justify-between gap-3">
          <h1 className="text-2xl">Day book</h1>
          <div className="flex gap-2">
            <Link to="/stock" className="btn btn-sm btn-outline">
              stock book
            </Link>
            {role === "OWNER" && (
              <Link to="/people" className="btn btn-sm btn-outline">
                people
              </Link>
            )}
            <Link to="/practice" className="btn btn-sm btn-outline">
              practice wall
            </Link>
          </div>
        </div>
        {jobs.isPending && <Waiting what="the jobs" />}
        {jobs.isError && <Failure error={jobs.error} onRetry={() => jobs.refetch()} />}
        {jobs.data && <JobList jobs={jobs.data} />}
        <CampaignsPart />
        {role !== "FITTER" && (
          <>
            <NewJob />
            <JobFile />
          </>
        )}
      </main>
    </div>
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
      await queries.invalidateQueries({ queryKey: dayBookOptions.queryKey });
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
