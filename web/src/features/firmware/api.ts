import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const firmwareOptions = (job: string) =>
  queryOptions({
    ...ask("get", "/api/v1/jobs/{job}/firmware", { params: { path: { job } } }),
    refetchInterval: 1500,
  });

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  beginRollout: (job: string, body: Schemas["PolicyEntry"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rollouts", { params: { path: { job } }, body })),
  keepFirmware: (body: Schemas["ReleaseEntry"]) => dataOf(client.POST("/api/v1/firmware", { body })),
  haltRollout: (rollout: string) =>
    dataOf(client.POST("/api/v1/rollouts/{rollout}/halt", { params: { path: { rollout } } })),
  goOnWithRollout: (rollout: string) =>
    dataOf(client.POST("/api/v1/rollouts/{rollout}/go-on", { params: { path: { rollout } } })),
  endRollout: (rollout: string) =>
    dataOf(client.POST("/api/v1/rollouts/{rollout}/end", { params: { path: { rollout } } })),
};
