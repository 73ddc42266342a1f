import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

/** What was typed is asked when the hand rests; see the search box. */
export const searchOptions = (text: string) =>
  queryOptions({
    ...ask("get", "/api/v1/search", { params: { query: { text } } }),
    enabled: text.length > 1,
    staleTime: 10_000,
  });

export const regionsOptions = queryOptions({
  ...ask("get", "/api/v1/regions"),
  staleTime: Number.POSITIVE_INFINITY,
});

export const jobOptions = (job: string) =>
  queryOptions({
    ...ask("get", "/api/v1/jobs/{job}", { params: { path: { job } } }),
    refetchInterval: 15_000,
  });

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  logOut: () => dataOf(client.DELETE("/api/v1/session")),
  addRoom: (job: string, body: Schemas["NewRoom"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rooms", { params: { path: { job } }, body })),
  addCircuit: (job: string, body: Schemas["NewCircuit"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/circuits", { params: { path: { job } }, body })),
  changeCircuit: (circuit: string, body: Schemas["CircuitChange"]) =>
    dataOf(client.PUT("/api/v1/circuits/{circuit}", { params: { path: { circuit } }, body })),
  removeCircuit: (circuit: string, version: number) =>
    dataOf(
      client.DELETE("/api/v1/circuits/{circuit}", { params: { path: { circuit }, query: { version } } }),
    ),
  renameRoom: (room: string, body: Schemas["RoomName"]) =>
    dataOf(client.PUT("/api/v1/rooms/{room}", { params: { path: { room } }, body })),
  removeRoom: (room: string, version: number) =>
    dataOf(client.DELETE("/api/v1/rooms/{room}", { params: { path: { room }, query: { version } } })),
  importCircuits: (job: string, csv: string, apply: boolean) =>
    dataOf(
      client.POST("/api/v1/jobs/{job}/import/circuits", {
        params: { path: { job }, query: { apply } },
        body: { csv },
      }),
    ),
  importBoxes: (job: string, csv: string, apply: boolean) =>
    dataOf(
      client.POST("/api/v1/jobs/{job}/import/boxes", {
        params: { path: { job }, query: { apply } },
        body: { csv },
      }),
    ),
};
