import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const dayOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/day", { params: { path: { job } } }));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  planDay: (job: string, body: Schemas["DayQuestion"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/day", { params: { path: { job } }, body })),
};
