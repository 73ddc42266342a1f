import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const benchOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/bench", { params: { path: { job } } }));

export const namesOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/names", { params: { path: { job } } }));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  takeToBench: (job: string, body: Schemas["Taking"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/bench", { params: { path: { job } }, body })),
  markOnBench: (unit: string, body: Schemas["Marking"]) =>
    dataOf(client.POST("/api/v1/bench/{unit}/marks", { params: { path: { unit } }, body })),
  putAside: (unit: string, version: number) =>
    dataOf(client.POST("/api/v1/bench/{unit}/put-aside", { params: { path: { unit } }, body: { version } })),
  benchAddress: (unit: string, body: Schemas["Addressing"]) =>
    dataOf(client.PUT("/api/v1/bench/{unit}/address", { params: { path: { unit } }, body })),
  checkCredential: (body: Schemas["CredentialQuestion"]) =>
    dataOf(client.POST("/api/v1/compute/credential-check", { body })),
  keepCredential: (unit: string, body: Schemas["Keeping"]) =>
    dataOf(client.POST("/api/v1/bench/{unit}/credentials", { params: { path: { unit } }, body })),
  showCredential: (credential: string, why: string) =>
    dataOf(
      client.POST("/api/v1/credentials/{credential}/showings", {
        params: { path: { credential } },
        body: { why },
      }),
    ),
  benchSettings: (unit: string, body: Schemas["Wanting"]) =>
    dataOf(client.PUT("/api/v1/bench/{unit}/settings", { params: { path: { unit } }, body })),
  changeNaming: (job: string, body: Schemas["NamingChange"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/names", { params: { path: { job } }, body })),
  renameAll: (job: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/names/rename", { params: { path: { job } } })),
  replaceModule: (unit: string, body: Schemas["Replacing"]) =>
    dataOf(client.POST("/api/v1/bench/{unit}/replaced", { params: { path: { unit } }, body })),
};
