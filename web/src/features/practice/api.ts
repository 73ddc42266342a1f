import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const practiceBookOptions = queryOptions(ask("get", "/api/v1/practice"));

export const practiceWallOptions = (run: string) =>
  queryOptions(ask("get", "/api/v1/practice/{run}", { params: { path: { run } } }));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  startPractice: (body: Schemas["NewWall"]) => dataOf(client.POST("/api/v1/practice", { body })),
  actAtWall: (run: string, body: Schemas["NextDeed"]) =>
    dataOf(client.POST("/api/v1/practice/{run}/deeds", { params: { path: { run } }, body })),
};
