import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

/** What is matched or planned together: gangs of a box, or loads that hang in it. */
export type Position = { gangs: number[]; loads: number[] };

export const matchOptions = (box: string, position: Position, scheme?: Schemas["OfferView"]["scheme"]) =>
  queryOptions(
    ask("get", "/api/v1/boxes/{box}/match", {
      params: { path: { box }, query: { ...position, ...(scheme && { scheme }) } },
    }),
  );

export const schemesOptions = (box: string, position: Position) =>
  queryOptions(ask("get", "/api/v1/boxes/{box}/schemes", { params: { path: { box }, query: position } }));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  choose: (id: string, body: Schemas["Choice"]) =>
    dataOf(client.PUT("/api/v1/boxes/{box}/plan", { params: { path: { box: id } }, body })),
  mend: (id: string, body: Schemas["Mending"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/plan/mend", { params: { path: { box: id } }, body })),
  acceptHold: (id: string, body: Schemas["Acceptance"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/plan/accepted", { params: { path: { box: id } }, body })),
  takeAcceptanceBack: (id: string, acceptance: string) =>
    dataOf(
      client.DELETE("/api/v1/boxes/{box}/plan/accepted/{acceptance}", {
        params: { path: { box: id, acceptance } },
      }),
    ),
};
