import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const feelOptions = (box: string) =>
  queryOptions(ask("get", "/api/v1/boxes/{box}/feel", { params: { path: { box } } }));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  keepFeel: (id: string, key: string, body: Schemas["FeelChange"]) => {
    const [module = "", input = ""] = key.split("/");
    return dataOf(
      client.PUT("/api/v1/boxes/{box}/feel/{module}/{input}", {
        params: { path: { box: id, module, input } },
        body,
      }),
    );
  },
  behaviour: (body: unknown) => dataOf(client.POST("/api/v1/compute/behaviour", { body: body as never })),
};
