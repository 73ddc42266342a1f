import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { api, handoverOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { HousePages } from "../house/HousePages";
import { SheetLayout } from "../job/SheetLayout";
import { STAGES } from "../job/stages";
import { ForLeads } from "../session/ForLeads";
import { PapersPart } from "./PapersPart";
import { RecordGrid } from "./RecordGrid";

/** The hand over of the house: what is recorded, what is open, and the papers that come of it. */
export function HouseHandoverSheet({ job }: { job: Schemas["JobView"] }) {
  const record = useQuery(handoverOptions(job.id));
  if (record.isPending) {
    return <Waiting what="the record" />;
  }
  return (
    <SheetLayout title="Hand over" detail={<HousePages job={job.id} page="/hand-over" />}>
      {record.isError && <Failure error={record.error} onRetry={() => record.refetch()} />}
      {record.data && (
        <div className="space-y-8">
          <State job={job.id} record={record.data} />
          <RecordGrid job={job.id} record={record.data} />
          <PapersPart job={job.id} />
          <Defects defects={record.data.defects} />
        </div>
      )}
    </SheetLayout>
  );
}

function State({ job, record }: { job: string; record: Schemas["HandoverView"] }) {
  const { passed, failed, again, open } = record.count;
  const all = passed + failed + again + open;
  const ready = record.blocks.length === 0;
  return (
    <section aria-label="How it stands" className="max-w-[85ch]">
      <p role="status" className="text-[17px]">
        <b>
          {passed} of {all}
        </b>{" "}
        tests as planned{failed > 0 && `, ${failed} failed`}
        {again > 0 && `, ${again} to be made again`}
        {open > 0 && `, ${open} not made`}.{" "}
        {ready ? "Nothing is open: papers are final." : "Papers are drafts until nothing is open."}
      </p>
      <progress
        className="progress progress-success mt-1 w-full max-w-md"
        value={passed}
        max={all || 1}
        aria-label="tests as planned"
      />
      {!ready && (
        <details className="mt-2" open={record.blocks.length <= 4}>
          <summary className="cursor-pointer">{record.blocks.length} things stand in the way</summary>
          <ul className="mt-1 list-disc pl-6 text-[15px]">
            {record.blocks.map((block) => {
              const path = STAGES.find((stage) => stage.code === block.stage)?.path;
              return (
                <li key={block.words}>
                  {block.box ? (
                    <Link className="text-primary underline" to={`/jobs/${job}/boxes/${block.box}/${path}`}>
                      {block.words}
                    </Link>
                  ) : (
                    block.words
                  )}
                </li>
              );
            })}
          </ul>
        </details>
      )}
      {record.given.map((given) => (
        <p key={given.at} className="mt-2">
          Handed over to {given.to} by {given.by}, {moment(given.at)}, with {given.tests} tests.
        </p>
      ))}
      {ready && (
        <ForLeads otherwise={<p className="mt-3">Every test is passed. A lead hands the house over.</p>}>
          <Give job={job} />
        </ForLeads>
      )}
    </section>
  );
}

function Give({ job }: { job: string }) {
  const queries = useQueryClient();
  const [to, setTo] = useState("");
  const give = useMutation({
    mutationFn: () => api.handOver(job, { to }),
    onSuccess: (answer) => {
      queries.setQueryData(handoverOptions(job).queryKey, answer);
      setTo("");
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    give.mutate();
  };
  return (
    <form onSubmit={submit} className="no-print mt-3 flex flex-wrap items-end gap-3">
      <TextField label="Handed over to" value={to} onChange={setTo} required maxLength={120} />
      <button type="submit" className="btn btn-primary" disabled={give.isPending}>
        hand over
      </button>
      {give.isError && <Failure error={give.error} />}
    </form>
  );
}

function Defects({ defects }: { defects: Schemas["DefectView"][] }) {
  if (defects.length === 0) {
    return null;
  }
  return (
    <section aria-label="Defects">
      <h2 className="mb-1 text-lg">Defects and their causes</h2>
      <ul className="max-w-[85ch] text-[15px]">
        {defects.map((defect) => (
          <li key={`${defect.box} ${defect.found.at}`} className="border-line border-b py-1.5">
            <b>{defect.output}</b>, {defect.label}: {defect.found.note}{" "}
            <span className="text-soft">
              ({defect.found.who} {moment(defect.found.at)})
            </span>
            <span className="block">
              {defect.mended
                ? `Mended ${moment(defect.mended.at)} by ${defect.mended.who}${defect.mended.cause ? `: ${defect.mended.cause}` : ", cause not told"}.`
                : "Open."}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
