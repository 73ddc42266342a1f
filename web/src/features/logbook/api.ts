import { infiniteQueryOptions, queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf } from "../../api/transport";

type LogFilter = { box: string; who: string; concept: string; text: string };

/** Page by page, latest first. */
export const logOptions = (job: string, filter: LogFilter) => {
  const query = Object.fromEntries(Object.entries(filter).filter(([, value]) => value !== ""));
  const asked = ask("get", "/api/v1/jobs/{job}/log", { params: { path: { job }, query } });
  return infiniteQueryOptions({
    queryKey: [...asked.queryKey, "page by page"],
    queryFn: ({ pageParam }) =>
      dataOf(
        client.GET("/api/v1/jobs/{job}/log", {
          params: { path: { job }, query: { ...query, ...(pageParam > 0 ? { before: pageParam } : {}) } },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (page) => page.older,
  });
};

export const trendsOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/trends", { params: { path: { job } } }));
