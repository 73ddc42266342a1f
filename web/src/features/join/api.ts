import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const joinOptions = (job: string) =>
  queryOptions({
    ...ask("get", "/api/v1/jobs/{job}/join", { params: { path: { job } } }),
    refetchInterval: 1500,
  });

export const standInOptions = (job: string) =>
  queryOptions({
    ...ask("get", "/api/v1/jobs/{job}/stand-in", { params: { path: { job } } }),
    refetchInterval: 1500,
  });

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  openNetwork: (job: string, body: Schemas["Opening"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/join/window", { params: { path: { job } }, body })),
  closeNetwork: (job: string, body: Schemas["Closing"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/join/close", { params: { path: { job } }, body })),
  joinTogether: (job: string, body: Schemas["Closing"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/join/together", { params: { path: { job } }, body })),
  takeInventory: (job: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/join/inventory", { params: { path: { job } } })),
  flippedAt: (job: string, unit: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/join/flipped", { params: { path: { job } }, body: { unit } })),
  turnDevice: (device: string, body: Schemas["Turning"]) =>
    dataOf(client.POST("/api/v1/devices/{device}/switch", { params: { path: { device } }, body })),
  deviceSeen: (device: string, body: Schemas["Seeing"]) =>
    dataOf(client.POST("/api/v1/devices/{device}/seen", { params: { path: { device } }, body })),
  deviceUnknown: (device: string) =>
    dataOf(client.POST("/api/v1/devices/{device}/unknown", { params: { path: { device } } })),
  setUpDevice: (device: string) =>
    dataOf(client.POST("/api/v1/devices/{device}/set-up", { params: { path: { device } } })),
  readLink: (device: string, closed: boolean) =>
    dataOf(client.POST("/api/v1/devices/{device}/link", { params: { path: { device } }, body: { closed } })),
  buildStandIn: (job: string, body: Schemas["Building"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/stand-in", { params: { path: { job } }, body })),
  standInHand: (job: string, body: Schemas["Hand"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/stand-in/hand", { params: { path: { job } }, body })),
};
