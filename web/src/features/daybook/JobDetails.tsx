import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useForm } from "react-hook-form";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { useLeads } from "../session/api";
import { Failure } from "../../ui/Failure";
import { sending, Text, useRefusals } from "../../ui/fields";
import { JobPeople } from "../people/JobPeople";

/** Name, place, whom to call and the next visit of a job; and what becomes of it when it is done. */
export function JobDetails({ job }: { job: Schemas["DayBookEntryView"] }) {
  const queries = useQueryClient();
  const leads = useLeads();
  const form = useForm<Schemas["JobDetails"]>({
    defaultValues: {
      name: job.name,
      place: job.place,
      contact: job.contact,
      visitOn: job.visitOn ?? undefined,
    },
  });
  const [sure, setSure] = useState<"delete" | "people">();
  const [saved, setSaved] = useState<string>();
  const change = useMutation({
    mutationFn: (doing: () => Promise<unknown>) => doing(),
    onSuccess: () => queries.invalidateQueries(),
  });
  const keep = sending(form, (details) => change.mutate(() => api.keepJobDetails(job.id, details)));
  useRefusals(change.error, form.setError);
  const exportFirst = useMutation({
    mutationFn: () => api.exportJob(job.id),
    onSuccess: ({ blob, print }) => {
      const link = document.createElement("a");
      link.href = URL.createObjectURL(blob);
      link.download = `${job.name}.job.json`;
      link.click();
      URL.revokeObjectURL(link.href);
      setSaved(print);
    },
  });
  const archived = job.state === "ARCHIVED";
  return (
    <div className="border-line mt-3 space-y-4 border-t pt-3">
      <form onSubmit={keep} className="grid items-end gap-3 sm:grid-cols-2">
        <Text control={form.control} name="name" label="Name of the house" required maxLength={120} />
        <Text control={form.control} name="place" label="Place" maxLength={200} />
        <Text control={form.control} name="contact" label="Whom to call" maxLength={300} />
        <Text control={form.control} name="visitOn" label="Next visit" type="date" optional />
        <button
          type="submit"
          className="btn btn-sm btn-primary justify-self-start"
          disabled={change.isPending}
        >
          keep
        </button>
      </form>
      {leads && <JobPeople job={job.id} />}
      <div className={`border-line flex-wrap gap-2 border-t pt-3 ${leads ? "flex" : "hidden"}`}>
        <button
          type="button"
          className="btn btn-sm btn-outline"
          disabled={exportFirst.isPending}
          onClick={() => exportFirst.mutate()}
        >
          save as a file
        </button>
        <button
          type="button"
          className="btn btn-sm btn-outline"
          onClick={() =>
            change.mutate(() => (archived ? api.takeJobUpAgain(job.id) : api.archiveJob(job.id)))
          }
        >
          {archived ? "take up again" : "archive"}
        </button>
        <button type="button" className="btn btn-sm btn-outline" onClick={() => setSure("people")}>
          remove its people
        </button>
        <button
          type="button"
          className="btn btn-sm btn-outline"
          disabled={!saved}
          title={saved ? undefined : "save it as a file first"}
          onClick={() => setSure("delete")}
        >
          delete
        </button>
      </div>
      {leads && !saved && (
        <p className="text-soft text-[14px]">A job is deleted only after it was saved as a file.</p>
      )}
      {sure && (
        <div className="border-warning space-y-2 border-l-4 pl-3">
          <p>
            {sure === "delete"
              ? `${job.name} is deleted with everything in it. It comes back only from the file that was just saved.`
              : "Its name and place, whom to call, to whom it was handed over, pictures and printed papers are gone for good. Boxes, wirings and tests stay."}
          </p>
          <div className="flex gap-2">
            <button
              type="button"
              className="btn btn-sm btn-error"
              disabled={change.isPending}
              onClick={() => {
                change.mutate(() =>
                  sure === "delete" ? api.deleteJob(job.id, saved ?? "") : api.removePeople(job.id),
                );
                setSure(undefined);
              }}
            >
              {sure === "delete" ? "delete it" : "remove them"}
            </button>
            <button type="button" className="btn btn-sm btn-outline" onClick={() => setSure(undefined)}>
              leave it
            </button>
          </div>
        </div>
      )}
      {(change.error ?? exportFirst.error) && (
        <Failure error={(change.error ?? exportFirst.error) as Error} />
      )}
    </div>
  );
}
