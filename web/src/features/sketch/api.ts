import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const shapesOptions = queryOptions({
  ...ask("get", "/api/v1/circuit-shapes"),
  staleTime: Number.POSITIVE_INFINITY,
});

/** What is changed at the server. */
export const api = {
  sketch: (job: string, body: Schemas["CircuitWish"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/circuit-sketch", { params: { path: { job } }, body })),
};
