import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

/** @param off labels of circuits that are switched off in the drawing */
export const planOptions = (box: string, off: string[] = []) =>
  queryOptions({
    ...ask("get", "/api/v1/boxes/{box}/plan", { params: { path: { box }, query: { off } } }),
    placeholderData: (before) => (off.length > 0 ? before : undefined),
  });

/** A plan with ends put elsewhere; nothing is kept. */
export const whatIfOptions = (box: string, moves: Schemas["EndMove"][]) =>
  queryOptions({
    ...ask("post", "/api/v1/boxes/{box}/plan/what-if", { params: { path: { box } }, body: { moves } }),
    placeholderData: (before) => before,
  });

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  issuePlan: (id: string, version: number) =>
    dataOf(
      client.POST("/api/v1/boxes/{box}/plan/issue", { params: { path: { box: id } }, body: { version } }),
    ),
};
