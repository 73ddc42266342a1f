import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useBoxChanged } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { useLeads } from "../session/api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";

type Props = { job: string; box: string; plan: Schemas["PlanView"]; finding: Schemas["FindingView"] };

/** What holds a plan back may be taken on by a lead, with a reason that is kept. */
export function TakeOn({ job, box, plan, finding }: Props) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState("");
  const changed = useBoxChanged(job, box);
  const accepted = plan.accepted.find(
    (a) => a.stillSo && a.code === finding.code && a.subject === finding.subject && a.facts === finding.facts,
  );
  const take = useMutation({
    mutationFn: () =>
      api.acceptHold(box, { code: finding.code, subject: finding.subject, facts: finding.facts, reason }),
    onSuccess: async () => {
      setOpen(false);
      await changed();
    },
  });
  const back = useMutation({
    mutationFn: (id: string) => api.takeAcceptanceBack(box, id),
    onSuccess: changed,
  });
  const leads = useLeads();
  if (finding.severity !== "HOLD" || (!leads && !accepted)) {
    return null;
  }
  if (accepted) {
    return (
      <div className="border-warning mt-2 border-l-4 pl-2">
        <p>
          Taken on by {accepted.who}, {moment(accepted.when)}: {accepted.reason}
        </p>
        {leads && (
          <button
            type="button"
            className="btn btn-xs btn-outline mt-1"
            onClick={() => back.mutate(accepted.id)}
          >
            hold it back again
          </button>
        )}
      </div>
    );
  }
  const submit = (event: FormEvent) => {
    event.preventDefault();
    take.mutate();
  };
  if (!open) {
    return (
      <button type="button" className="btn btn-xs btn-outline mt-2" onClick={() => setOpen(true)}>
        take it on, with a reason
      </button>
    );
  }
  return (
    <form onSubmit={submit} className="mt-2 space-y-1.5">
      <label className="block">
        <span className="field-label block">Why this may be done all the same</span>
        <textarea
          className="textarea w-full"
          rows={2}
          minLength={10}
          maxLength={500}
          required
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      </label>
      <p className="text-soft">A lead decides. Name, time and reason are kept with the plan.</p>
      <button type="submit" className="btn btn-xs btn-primary" disabled={take.isPending}>
        take it on
      </button>
      {take.isError && <Failure error={take.error} />}
    </form>
  );
}
