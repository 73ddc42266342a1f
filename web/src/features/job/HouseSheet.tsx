import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link, useLocation } from "react-router";
import { about } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { Failure } from "../../ui/Failure";
import { HousePages } from "../house/HousePages";
import { api as surveys } from "../survey/api";
import { Circuits } from "./Circuits";
import { ImportPanel } from "./ImportPanel";
import { Rooms } from "./Rooms";
import { SheetLayout } from "./SheetLayout";

/** The house itself: circuits, rooms, and new boxes. */
export function HouseSheet({ job }: { job: Schemas["JobView"] }) {
  return (
    <SheetLayout
      title={job.name}
      detail={`${job.place ? `${job.place} · ` : ""}${job.regionLabel}`}
      actions={<HousePages job={job.id} page="" />}
    >
      <TakenAway job={job} />
      <p className="border-warning mb-5 max-w-prose border-l-4 pl-3">
        Fixed wiring is for a licensed person under the local code. The clerk plans, computes and records; it
        never says that work is safe to do.
      </p>
      {job.circuits.length > 0 && job.rooms.length > 0 && (
        <p className="no-print mb-5 flex flex-wrap items-center gap-3">
          <Link to={`/jobs/${job.id}/sketch`} className="btn btn-primary">
            begin with a circuit
          </Link>
          <span className="text-soft text-sm">
            Tell where the feed comes in, what it feeds and which switches act on it: its boxes are filled.
          </span>
        </p>
      )}
      <div className="grid gap-8 lg:grid-cols-2">
        <Circuits job={job} />
        <Rooms job={job} />
      </div>
      <ImportPanel job={job.id} />
    </SheetLayout>
  );
}

/** A box that was just taken away can be put back. */
function TakenAway({ job }: { job: Schemas["JobView"] }) {
  const gone = (useLocation().state as { takenAway?: { id: string; label: string } } | null)?.takenAway;
  const queries = useQueryClient();
  const putBack = useMutation({
    mutationFn: (box: string) => surveys.putBoxBack(box),
    onSuccess: () => queries.invalidateQueries(about({ job: job.id })),
  });
  if (!gone || job.boxes.some((box) => box.id === gone.id)) {
    return null;
  }
  return (
    <div role="status" className="border-line no-print mb-4 rounded-[4px] border p-3">
      <p className="flex flex-wrap items-center gap-3">
        {gone.label} was taken away.
        <button
          type="button"
          className="btn btn-sm btn-outline"
          disabled={putBack.isPending}
          onClick={() => putBack.mutate(gone.id)}
        >
          put it back
        </button>
      </p>
      {putBack.isError && <Failure error={putBack.error} />}
    </div>
  );
}
