import { type Query, useQueryClient } from "@tanstack/react-query";

type About = { job?: string; box?: string };

/** Everything that was asked about a job or a box, to be asked again after a change. */
export const about = ({ job, box }: About) => ({
  predicate: ({ queryKey }: Query) => {
    const init = queryKey[2] as { params?: { path?: About } } | undefined;
    const path = init?.params?.path;
    return (job !== undefined && path?.job === job) || (box !== undefined && path?.box === box);
  },
});

/**
 * After a change to a box everything that depends on it is asked for again. The job comes first: the isolation strip must
 * never be behind the sheet.
 */
export function useBoxChanged(job: string, box: string) {
  const queries = useQueryClient();
  return async () => {
    await queries.invalidateQueries(about({ job }));
    await queries.invalidateQueries(about({ box }));
  };
}
