import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const dayBookOptions = queryOptions(ask("get", "/api/v1/day-book"));

export const campaignsOptions = queryOptions(ask("get", "/api/v1/firmware/campaigns"));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  addJob: (body: Schemas["NewJob"]) => dataOf(client.POST("/api/v1/jobs", { body })),
  keepJobDetails: (job: string, body: Schemas["JobDetails"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/details", { params: { path: { job } }, body })),
  archiveJob: (job: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/archived", { params: { path: { job } } })),
  takeJobUpAgain: (job: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}/archived", { params: { path: { job } } })),
  removePeople: (job: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}/people", { params: { path: { job } } })),
  deleteJob: (job: string, exported: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}", { params: { path: { job }, query: { exported } } })),
  /** The file, with the SHA-256 that proves one has it. */
  exportJob: async (job: string) => {
    const answer = client.GET("/api/v1/jobs/{job}/export", { params: { path: { job } }, parseAs: "blob" });
    const blob = (await dataOf(answer)) as unknown as Blob;
    const { response } = await answer;
    return { blob, print: (response.headers.get("etag") ?? "").replace(/^W\/|"/g, "") };
  },
  importJob: (file: string, apply: boolean) =>
    dataOf(
      client.POST("/api/v1/jobs/import", {
        params: { query: { apply } },
        // The generated type knows the file as base64; it is sent as it is.
        body: file,
        bodySerializer: (text) => text as string,
        headers: { "Content-Type": "application/json" },
      }),
    ),
};
