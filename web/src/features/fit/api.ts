import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

const latestSheets = new Map<string, Schemas["RunSheetView"]>();

/** Of two answers about a run sheet the later one, whichever arrives first: a step that was recorded is never open again for a moment. */
export function latestSheet(box: string, sheet?: Schemas["RunSheetView"] | null) {
  const known = latestSheets.get(box);
  if (!sheet || (known && known.startedAt === sheet.startedAt && known.version > sheet.version)) {
    return sheet ? known : undefined;
  }
  latestSheets.set(box, sheet);
  return sheet;
}

export const runSheetOptions = (box: string) => {
  const at = { params: { path: { box } } };
  return queryOptions({
    queryKey: ask("get", "/api/v1/boxes/{box}/run-sheet", at).queryKey,
    queryFn: async () => {
      const { sheet } = await dataOf(client.GET("/api/v1/boxes/{box}/run-sheet", at));
      return { sheet: latestSheet(box, sheet) };
    },
    // Somebody else may work on it.
    refetchInterval: 10_000,
  });
};

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  startRunSheet: (id: string) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet", { params: { path: { box: id } } })),
  enterStep: (id: string, body: Schemas["StepEntry"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/entries", { params: { path: { box: id } }, body })),
  stopRunSheet: (id: string, body: Schemas["Reason"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/stop", { params: { path: { box: id } }, body })),
  resumeRunSheet: (id: string, body: Schemas["Reason"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/resume", { params: { path: { box: id } }, body })),
  correctReading: (id: string, body: Schemas["CorrectionEntry"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/corrections", { params: { path: { box: id } }, body })),
  tickStep: (id: string, body: Schemas["TickEntry"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/ticks", { params: { path: { box: id } }, body })),
  measureStep: (id: string, body: Schemas["MeasureEntry"]) =>
    dataOf(
      client.POST("/api/v1/boxes/{box}/run-sheet/measurements", { params: { path: { box: id } }, body }),
    ),
  skipStep: (id: string, body: Schemas["SkipEntry"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/skips", { params: { path: { box: id } }, body })),
  foundOtherwise: (id: string, reason: string) =>
    dataOf(
      client.POST("/api/v1/boxes/{box}/run-sheet/found-otherwise", {
        params: { path: { box: id } },
        body: { reason },
      }),
    ),
  lockCircuits: (id: string) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/lock", { params: { path: { box: id } } })),
  signOff: (id: string) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/sign-off", { params: { path: { box: id } } })),
  setRunSheetAside: (id: string, version: number) =>
    dataOf(
      client.POST("/api/v1/boxes/{box}/run-sheet/set-aside", {
        params: { path: { box: id } },
        body: { version },
      }),
    ),
};
