import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const liveOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/live", { params: { path: { job } } }));

export const checksOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/live/checks", { params: { path: { job } } }));

export const brokerAccountsOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/live/accounts", { params: { path: { job } } }));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  startLiveHouse: (job: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/start", { params: { path: { job } } })),
  stopLiveHouse: (job: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}/live", { params: { path: { job } } })),
  doInLiveHouse: (job: string, body: Schemas["LiveDeed"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/deeds", { params: { path: { job } }, body })),
  makeBrokerAccount: (job: string, body: Schemas["NewBrokerAccount"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/accounts", { params: { path: { job } }, body })),
  takeBrokerAccount: (job: string, account: string) =>
    dataOf(
      client.DELETE("/api/v1/jobs/{job}/live/accounts/{account}", { params: { path: { job, account } } }),
    ),
  addCheck: (job: string, version: number) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/checks", { params: { path: { job } }, body: { version } })),
  nameCheck: (job: string, check: string, body: Schemas["CheckName"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/live/checks/{check}", { params: { path: { job, check } }, body })),
  fillCheckSlot: (job: string, check: string, body: Schemas["CheckFilling"]) =>
    dataOf(
      client.PUT("/api/v1/jobs/{job}/live/checks/{check}/slot", { params: { path: { job, check } }, body }),
    ),
  addCheckPart: (job: string, check: string, body: Schemas["NewCheckPart"]) =>
    dataOf(
      client.POST("/api/v1/jobs/{job}/live/checks/{check}/parts", { params: { path: { job, check } }, body }),
    ),
  takeCheckPart: (job: string, check: string, version: number, pointer: string) =>
    dataOf(
      client.DELETE("/api/v1/jobs/{job}/live/checks/{check}/parts", {
        params: { path: { job, check }, query: { version, pointer } },
      }),
    ),
  removeCheck: (job: string, check: string, version: number) =>
    dataOf(
      client.DELETE("/api/v1/jobs/{job}/live/checks/{check}", {
        params: { path: { job, check }, query: { version } },
      }),
    ),
  runCheck: (job: string, check: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/checks/{check}/run", { params: { path: { job, check } } })),
  rehearseHandover: (job: string, body: Schemas["Rehearsing"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/checks/rehearsal", { params: { path: { job } }, body })),
};
