import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const handoverOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/handover", { params: { path: { job } } }));

/** Asked again while a paper is on its way. */
export const papersOptions = (job: string) =>
  queryOptions({
    ...ask("get", "/api/v1/jobs/{job}/papers", { params: { path: { job } } }),
    refetchInterval: (query) =>
      query.state.data?.papers.some((paper) => paper.state === "RUNNING") ? 500 : false,
  });

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  enterHandoverTest: (job: string, body: Schemas["FoundAtTest"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/handover/entries", { params: { path: { job } }, body })),
  handOver: (job: string, body: Schemas["GivenTo"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/handover/given", { params: { path: { job } }, body })),
  makePaper: (job: string, body: Schemas["NewPaper"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/papers", { params: { path: { job } }, body })),
  stopPaper: (job: string, paper: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}/papers/{paper}", { params: { path: { job, paper } } })),
  sealedSection: (job: string, body: Schemas["SealedRequest"]) =>
    dataOf(
      client.POST("/api/v1/jobs/{job}/papers/sealed-section.pdf", {
        params: { path: { job } },
        body,
        parseAs: "blob",
      }),
    ) as Promise<unknown> as Promise<Blob>,
};
