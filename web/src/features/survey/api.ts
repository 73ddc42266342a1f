import { queryOptions } from "@tanstack/react-query";
import { OPENS_AGAIN } from "../../api/asking";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const surveyOptions = (box: string) =>
  queryOptions(ask("get", "/api/v1/boxes/{box}/survey", { params: { path: { box } } }));

export const circuitSumsOptions = (job: string) =>
  queryOptions({
    ...ask("get", "/api/v1/jobs/{job}/circuit-sums", { params: { path: { job } } }),
    staleTime: 60_000,
  });

export const needsOptions = (box: string) =>
  queryOptions(ask("get", "/api/v1/boxes/{box}/needs", { params: { path: { box } } }));

export const photosOptions = (box: string) =>
  queryOptions(ask("get", "/api/v1/boxes/{box}/photos", { params: { path: { box } } }));

export const loadsOptions = (text: string) =>
  queryOptions({
    ...ask("get", "/api/v1/loads/read", { params: { query: { text } } }),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const loadWordsOptions = queryOptions({
  ...ask("get", "/api/v1/loads/kinds"),
  staleTime: Number.POSITIVE_INFINITY,
});

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  draftCable: (job: string, body: Schemas["CableWish"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/cable-draft", { params: { path: { job } }, body })),
  readBoxText: (job: string, text: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/box-text/read", { params: { path: { job } }, body: { text } })),
  writeBoxText: (job: string, survey: Schemas["SurveyDocument"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/box-text/write", { params: { path: { job } }, body: { survey } })),
  addBox: (room: string, survey: Schemas["SurveyDocument"]) =>
    dataOf(client.POST("/api/v1/rooms/{room}/boxes", { params: { path: { room } }, body: { survey } })),
  /** @param asked whether the person knows what the change opens again */
  recordSurvey: (id: string, body: Schemas["SurveyChange"], asked = false) =>
    dataOf(
      client.PUT("/api/v1/boxes/{box}/survey", {
        params: { path: { box: id } },
        body,
        headers: asked ? OPENS_AGAIN : {},
      }),
    ),
  removeBox: (box: string, version: number) =>
    dataOf(client.DELETE("/api/v1/boxes/{box}", { params: { path: { box }, query: { version } } })),
  putBoxBack: (box: string) =>
    dataOf(client.POST("/api/v1/boxes/{box}/put-back", { params: { path: { box } } })),
  moveBox: (box: string, body: Schemas["BoxMove"]) =>
    dataOf(client.PUT("/api/v1/boxes/{box}/room", { params: { path: { box } }, body })),
  addPhoto: (id: string, picture: File) =>
    dataOf(
      client.POST("/api/v1/boxes/{box}/photos", {
        params: { path: { box: id } },
        // The generated type knows a picture as text; it is sent as it is.
        body: picture as unknown as string,
        bodySerializer: (body: unknown) => body as BodyInit,
        headers: { "Content-Type": picture.type },
      }),
    ),
  removePhoto: (photo: string) =>
    dataOf(client.DELETE("/api/v1/photos/{photo}", { params: { path: { photo } } })),
};
