import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const stockOptions = queryOptions(ask("get", "/api/v1/stock"));

export const estimatesOptions = queryOptions(ask("get", "/api/v1/stock/estimates"));

export const tradeOptions = queryOptions(ask("get", "/api/v1/stock/trade"));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  addModule: (body: Schemas["NewModule"]) => dataOf(client.POST("/api/v1/stock/modules", { body })),
  changeModule: (code: string, body: Schemas["ModuleChange"]) =>
    dataOf(client.PUT("/api/v1/stock/modules/{code}", { params: { path: { code } }, body })),
  changeAccessory: (code: string, body: Schemas["AccessoryChange"]) =>
    dataOf(client.PUT("/api/v1/stock/accessories/{code}", { params: { path: { code } }, body })),
  importStock: (format: "JSON" | "CSV", text: string, apply: boolean) =>
    dataOf(client.POST("/api/v1/stock/import", { params: { query: { format, apply } }, body: { text } })),
  keepTrade: (body: Schemas["TradeView"]) => dataOf(client.PUT("/api/v1/stock/trade", { body })),
  keepEstimates: (body: Schemas["EstimatesView"]) => dataOf(client.PUT("/api/v1/stock/estimates", { body })),
};
