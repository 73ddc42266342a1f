import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { about } from "../../api/changed";
import { api, openFindingsOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";

/** What was found otherwise than drawn at the open box, until somebody has looked into it. */
export function OpenFindings({ job, box }: { job: string; box: string }) {
  const queries = useQueryClient();
  const found = useQuery(openFindingsOptions(box));
  const settle = useMutation({
    mutationFn: (id: string) => api.settleFinding(id),
    onSuccess: (left) => {
      queries.setQueryData(openFindingsOptions(box).queryKey, left);
      queries.invalidateQueries(about({ job }));
    },
  });
  if (!found.data || found.data.length === 0) {
    return null;
  }
  return (
    <ul aria-label="found otherwise than drawn" className="mb-4 space-y-2">
      {found.data.map((finding) => (
        <li key={finding.id} className="border-warning border-l-4 px-3 py-1">
          <b>Found otherwise than drawn:</b> {finding.words}{" "}
          <span className="text-soft">
            {finding.who}, {moment(finding.when)}
          </span>
          <button
            type="button"
            className="btn btn-xs btn-outline ml-2"
            disabled={settle.isPending}
            onClick={() => settle.mutate(finding.id)}
          >
            looked into, survey is right now
          </button>
        </li>
      ))}
      {settle.isError && <Failure error={settle.error} />}
    </ul>
  );
}
