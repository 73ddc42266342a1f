import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const jobCostOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/cost", { params: { path: { job } } }));

export const houseSettingsOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/settings", { params: { path: { job } } }));

export const houseMatchOptions = (job: string, page: number) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/house-match", { params: { path: { job }, query: { page } } }));

/** Asked for twice a second while a choice is running. */
export const houseChoicesOptions = (job: string) =>
  queryOptions({
    ...ask("get", "/api/v1/jobs/{job}/choices", { params: { path: { job } } }),
    refetchInterval: (query) =>
      query.state.data?.some((choice) => choice.state === "RUNNING") ? 500 : false,
  });

export const pickListOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/pick-list", { params: { path: { job } } }));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  renameRoom: (room: string, body: Schemas["RoomName"]) =>
    dataOf(client.PUT("/api/v1/rooms/{room}", { params: { path: { room } }, body })),
  keepHouseSettings: (job: string, body: Schemas["HouseSettingsChange"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/settings", { params: { path: { job } }, body })),
  chooseHouse: (job: string, body: Schemas["Asked"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/choices", { params: { path: { job } }, body })),
  stopChoice: (choice: string) =>
    dataOf(client.DELETE("/api/v1/choices/{choice}", { params: { path: { choice } } })),
  takeChoiceOver: (choice: string) =>
    dataOf(client.POST("/api/v1/choices/{choice}/take-over", { params: { path: { choice } } })),
  whyNot: (choice: string, unit: string, module: string) =>
    dataOf(
      client.GET("/api/v1/choices/{choice}/why-not", {
        params: { path: { choice }, query: { unit, module } },
      }),
    ),
  compareChoices: (choice: string, other: string) =>
    dataOf(client.GET("/api/v1/choices/{choice}/compare/{other}", { params: { path: { choice, other } } })),
  goodsIn: (job: string, body: Schemas["Arrival"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/goods-in", { params: { path: { job } }, body })),
  radioPlan: (body: Schemas["ChannelQuestion"]) =>
    dataOf(client.POST("/api/v1/compute/radio-plan", { body })),
};
