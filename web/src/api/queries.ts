import { queryOptions, useQueryClient } from "@tanstack/react-query";
import { api } from "./client";

/** Key, fetcher and type of everything that is asked of the server, together once. */
export const sessionOptions = queryOptions({
  queryKey: ["session"],
  queryFn: api.session,
  staleTime: 60_000,
});

export const jobsOptions = queryOptions({ queryKey: ["jobs"], queryFn: api.jobs });

export const regionsOptions = queryOptions({
  queryKey: ["regions"],
  queryFn: api.regions,
  staleTime: Number.POSITIVE_INFINITY,
});

export const jobOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job], queryFn: () => api.job(job), refetchInterval: 15_000 });

export const surveyOptions = (box: string) =>
  queryOptions({ queryKey: ["box", box, "survey"], queryFn: () => api.survey(box) });

export const matchOptions = (box: string, gangs: number[]) =>
  queryOptions({ queryKey: ["box", box, "match", gangs], queryFn: () => api.match(box, gangs) });

export const planOptions = (box: string) =>
  queryOptions({ queryKey: ["box", box, "plan"], queryFn: () => api.plan(box) });

export const runSheetOptions = (box: string) =>
  queryOptions({
    queryKey: ["box", box, "run-sheet"],
    queryFn: () => api.runSheet(box),
    refetchInterval: 10_000,
  });

export const loadsOptions = (text: string) =>
  queryOptions({
    queryKey: ["loads", text],
    queryFn: () => api.readLoads(text),
    staleTime: Number.POSITIVE_INFINITY,
  });

/**
 * After a change to a box everything that depends on it is asked for again. The job comes first: the isolation strip must
 * never be behind the sheet.
 */
export function useBoxChanged(job: string, box: string) {
  const queries = useQueryClient();
  return async () => {
    await queries.invalidateQueries({ queryKey: ["job", job] });
    await queries.invalidateQueries({ queryKey: ["box", box] });
  };
}
