import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useBoxChanged } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { api } from "./api";

type Props = { job: Schemas["JobView"]; survey: Schemas["SurveyView"]; version: number };

/** The box as a whole: where it is, and whether it is there at all. */
export function WholeBox({ job, survey, version }: Props) {
  const changed = useBoxChanged(job.id, survey.id);
  const navigate = useNavigate();
  const [sure, setSure] = useState(false);
  const move = useMutation({
    mutationFn: (room: string) => api.moveBox(survey.id, { version, room }),
    onSuccess: changed,
  });
  const remove = useMutation({
    mutationFn: () => api.removeBox(survey.id, version),
    onSuccess: async () => {
      navigate(`/jobs/${job.id}`, { state: { takenAway: { id: survey.id, label: survey.survey.label } } });
      await changed();
    },
  });
  return (
    <section aria-label="The box as a whole" className="no-print border-line border-t pt-4">
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="The box is in"
          className="w-56"
          value={survey.roomId}
          options={job.rooms.map((room) => ({ value: room.id, label: room.name }))}
          onChange={(room) => move.mutate(room)}
        />
        {sure ? (
          <>
            <button
              type="button"
              className="btn btn-error"
              disabled={remove.isPending}
              onClick={() => remove.mutate()}
            >
              yes, take {survey.survey.label} away
            </button>
            <button type="button" className="btn btn-outline" onClick={() => setSure(false)}>
              no, it stays
            </button>
          </>
        ) : (
          <button type="button" className="btn btn-outline" onClick={() => setSure(true)}>
            take the box away …
          </button>
        )}
      </div>
      {move.isError && <Failure error={move.error} />}
      {remove.isError && <Failure error={remove.error} />}
    </section>
  );
}
