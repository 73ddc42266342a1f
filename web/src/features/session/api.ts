import { queryOptions, useQuery } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const sessionOptions = queryOptions({ ...ask("get", "/api/v1/session"), staleTime: 60_000 });

/** Whether whoever is logged in sees prices and decides for the firm. The server decides; this only leaves away what it would refuse. */
export const useLeads = () => useQuery(sessionOptions).data?.role !== "FITTER";

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  logIn: (body: Schemas["Login"]) => dataOf(client.POST("/api/v1/session", { body })),
  makeOwner: (body: Schemas["Owner"]) => dataOf(client.POST("/api/v1/setup", { body })),
};
