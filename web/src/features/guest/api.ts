import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf } from "../../api/transport";

export const guideOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/guide", { params: { path: { job } } }));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  visit: (text: string) => dataOf(client.POST("/api/v1/visit", { body: { text } })),
};
