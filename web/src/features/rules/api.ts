import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const rulesOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/rules", { params: { path: { job } } }));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  addRule: (job: string, body: Schemas["NewRule"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules", { params: { path: { job } }, body })),
  fillSlot: (job: string, rule: string, body: Schemas["Filling"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/rules/{rule}/slot", { params: { path: { job, rule } }, body })),
  changeRule: (job: string, rule: string, body: Schemas["RuleChange"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/rules/{rule}", { params: { path: { job, rule } }, body })),
  removeRule: (job: string, id: string, version: number) =>
    dataOf(
      client.DELETE("/api/v1/jobs/{job}/rules/{id}", { params: { path: { job, id }, query: { version } } }),
    ),
  linkControl: (job: string, body: Schemas["NewHouseLink"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/links", { params: { path: { job } }, body })),
  linkBy: (job: string, link: string, way: Schemas["HouseLinkView"]["way"], version: number) =>
    dataOf(
      client.PUT("/api/v1/jobs/{job}/rules/links/{link}/way/{way}", {
        params: { path: { job, link, way }, query: { version } },
      }),
    ),
  addThing: (job: string, body: Schemas["NewThing"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/things", { params: { path: { job } }, body })),
  fixRules: (job: string, body: Schemas["Fixing"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/fix", { params: { path: { job } }, body })),
  importRuleCalendar: (job: string, body: Schemas["CalendarText"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/calendar", { params: { path: { job } }, body })),
  undoRules: (job: string, version: number) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/undo", { params: { path: { job } }, body: { version } })),
  placeHouse: (job: string, body: Schemas["Placing"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/rules/place", { params: { path: { job } }, body })),
  addRulePart: (job: string, rule: string, body: Schemas["NewRulePart"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/{rule}/parts", { params: { path: { job, rule } }, body })),
  takeRulePart: (job: string, rule: string, version: number, pointer: string) =>
    dataOf(
      client.DELETE("/api/v1/jobs/{job}/rules/{rule}/parts", {
        params: { path: { job, rule }, query: { version, pointer } },
      }),
    ),
  setDelays: (job: string, body: Schemas["DelaysChange"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/rules/delays", { params: { path: { job } }, body })),
};
