import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const traceOptions = (box: string) =>
  queryOptions(ask("get", "/api/v1/boxes/{box}/trace", { params: { path: { box } } }));

export const openFindingsOptions = (box: string) =>
  queryOptions(ask("get", "/api/v1/boxes/{box}/found-otherwise", { params: { path: { box } } }));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  keepReading: (id: string, body: Schemas["ReadingEntry"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/trace/readings", { params: { path: { box: id } }, body })),
  takeReadingBack: (id: string, reading: string) =>
    dataOf(
      client.DELETE("/api/v1/boxes/{box}/trace/readings/{reading}", {
        params: { path: { box: id, reading } },
      }),
    ),
  writeTrace: (id: string) =>
    dataOf(client.POST("/api/v1/boxes/{box}/trace/write", { params: { path: { box: id } } })),
  settleFinding: (found: string) =>
    dataOf(client.POST("/api/v1/found-otherwise/{found}/settle", { params: { path: { found } } })),
};
