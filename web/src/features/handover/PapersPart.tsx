import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, papersOptions } from "./api";
import { useLeads } from "../session/api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { moment, withUnit } from "../../ui/figures";
import { TextField } from "../../ui/TextField";

type Paper = Schemas["PaperView"];
type Size = Paper["size"];

/** Papers that a job leaves behind: made, watched on their way, opened. */
export function PapersPart({ job }: { job: string }) {
  const queries = useQueryClient();
  const papers = useQuery(papersOptions(job));
  const leads = useLeads();
  const [size, setSize] = useState<Size>("A4");
  const after = () => queries.invalidateQueries({ queryKey: papersOptions(job).queryKey });
  const make = useMutation({
    mutationFn: (kind: Paper["kind"]) => api.makePaper(job, { kind, size }),
    onSuccess: after,
  });
  const stop = useMutation({ mutationFn: (paper: string) => api.stopPaper(job, paper), onSuccess: after });
  return (
    <section aria-label="Papers">
      <div className="mb-2 flex flex-wrap items-end gap-4">
        <h2 className="text-lg">Papers</h2>
        <Choice
          label="Size"
          value={size}
          onChange={setSize}
          options={[
            { value: "A4", label: "A4" },
            { value: "LETTER", label: "Letter" },
          ]}
        />
      </div>
      {papers.isError && <Failure error={papers.error} onRetry={() => papers.refetch()} />}
      {(make.error ?? stop.error) && <Failure error={(make.error ?? stop.error) as Error} />}
      <ul>
        {papers.data?.kinds.map(({ kind, label }) => (
          <li
            key={kind}
            className="border-line flex min-h-12 flex-wrap items-center gap-x-4 gap-y-1 border-b py-2"
          >
            <span className="w-52 font-semibold">{label}</span>
            <Latest
              job={job}
              papers={papers.data.papers.filter((paper) => paper.kind === kind)}
              onStop={(paper) => stop.mutate(paper)}
            />
            <button
              type="button"
              className="btn btn-sm btn-outline no-print"
              disabled={make.isPending}
              aria-label={`make ${label}`}
              onClick={() => make.mutate(kind)}
            >
              make
            </button>
          </li>
        ))}
        <li className="border-line flex min-h-12 flex-wrap items-center gap-4 border-b py-2">
          <span className="w-52 font-semibold">Labels</span>
          <span className="text-soft flex-1 text-[14px]">24 on an A4 sheet</span>
          <a className="btn btn-sm btn-outline no-print" href={`/api/v1/jobs/${job}/labels.pdf`}>
            open
          </a>
        </li>
      </ul>
      {leads && <Sealed job={job} size={size} />}
    </section>
  );
}

function Latest({ job, papers, onStop }: { job: string; papers: Paper[]; onStop: (paper: string) => void }) {
  const [newest] = papers;
  const printed = papers.find((paper) => paper.state === "DONE");
  return (
    <span className="flex min-w-0 flex-1 flex-wrap items-center gap-3 text-[14px]">
      {newest?.state === "RUNNING" && (
        <>
          <progress
            className="progress progress-primary w-28"
            {...(newest.parts > 0 ? { value: newest.done, max: newest.parts } : {})}
            aria-label={`${newest.label} on its way`}
          />
          <span role="status">{newest.words}</span>
          <button type="button" className="btn btn-xs btn-outline" onClick={() => onStop(newest.id)}>
            stop
          </button>
        </>
      )}
      {newest && (newest.state === "FAILED" || newest.state === "STOPPED") && <span>{newest.words}</span>}
      {printed && (
        <>
          <a
            className="text-primary underline"
            href={`/api/v1/jobs/${job}/papers/${printed.id}/file.pdf`}
            target="_blank"
            rel="noreferrer"
          >
            open {printed.draft ? "the draft" : "it"}
          </a>
          <span className="text-soft">
            {printed.size === "A4" ? "A4" : "Letter"}, {withUnit(Math.ceil(printed.bytes / 1024), "kB")},{" "}
            {printed.madeBy} {moment(printed.madeAt)}
          </span>
        </>
      )}
      {!newest && <span className="text-soft">not made yet</span>}
    </span>
  );
}

/** The codes of the modules, locked with a password. */
function Sealed({ job, size }: { job: string; size: Size }) {
  const [open, setOpen] = useState(false);
  const [password, setPassword] = useState("");
  const [why, setWhy] = useState("hand over to the owner");
  const make = useMutation({
    mutationFn: () => api.sealedSection(job, { password, why, size }),
    onSuccess: (pdf) => {
      const url = URL.createObjectURL(pdf);
      const link = document.createElement("a");
      link.href = url;
      link.download = "sealed-section.pdf";
      link.click();
      URL.revokeObjectURL(url);
      setPassword("");
      setOpen(false);
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    make.mutate();
  };
  return (
    <div className="no-print py-3">
      <button
        type="button"
        className="btn btn-sm btn-outline"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        sealed section of codes
      </button>
      {open && (
        <form onSubmit={submit} className="bg-base-200 mt-2 max-w-xl space-y-3 rounded-[4px] p-3">
          <p className="text-[14px]">
            A file of its own that opens with this password only. Every code in it counts as shown, by you,
            now. The clerk does not keep the password.
          </p>
          <TextField
            label="Password, 12 characters or more"
            type="password"
            autoComplete="new-password"
            value={password}
            onChange={setPassword}
            minLength={12}
            required
          />
          <TextField label="What for" value={why} onChange={setWhy} minLength={5} required />
          {make.isError && <Failure error={make.error} />}
          <button type="submit" className="btn btn-primary" disabled={make.isPending}>
            make and save it
          </button>
        </form>
      )}
    </div>
  );
}
