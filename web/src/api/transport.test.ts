import { QueryClient } from "@tanstack/react-query";
import { beforeEach, expect, it } from "vitest";
import { answers, asked, forget } from "../testing/server";
import { surveyOptions } from "../features/survey/api";
import { jobOptions } from "../features/job/api";
import { about } from "./changed";
import { outage } from "./outage";
import { ApiProblem, NoConnection } from "./transport";

const queries = () => new QueryClient({ defaultOptions: { queries: { retry: false } } });

beforeEach(forget);

it("throws a refusal with the words and places of the server", async () => {
  const errors = [{ pointer: "/rating", found: "0 A", expected: "1 A or more" }];
  answers.push({ match: /survey/, status: 422, body: { title: "Not read.", errors } });
  const problem = await queries()
    .fetchQuery(surveyOptions("b4"))
    .catch((thrown) => thrown);
  expect(problem).toBeInstanceOf(ApiProblem);
  expect(problem).toMatchObject({ status: 422, message: "Not read.", errors });
  expect(outage.words()).toBeUndefined();
});

it("tells of a clerk that is away, and takes it back when it answers", async () => {
  const client = queries();
  await expect(client.fetchQuery(surveyOptions("b4"))).rejects.toThrow(NoConnection);
  expect(outage.words()).toContain("cannot be reached");

  answers.push({ match: /survey/, body: {} });
  await client.fetchQuery(surveyOptions("b4"));
  expect(outage.words()).toBeUndefined();
});

it("takes a request that nobody waits for any more as no outage", async () => {
  const client = queries();
  answers.push({ match: /survey/, body: {} });
  const answer = client.fetchQuery(surveyOptions("b4")).catch((thrown) => thrown);
  await client.cancelQueries();
  await answer;
  expect(outage.words()).toBeUndefined();
});

it("asks again what was asked about a job or a box, and nothing else", async () => {
  const client = queries();
  answers.push({ match: /./, body: {} });
  await client.fetchQuery(surveyOptions("b4"));
  await client.fetchQuery(surveyOptions("b5"));
  await client.fetchQuery(jobOptions("j1"));
  expect(asked).toHaveLength(3);
  const stale = () =>
    [surveyOptions("b4"), surveyOptions("b5"), jobOptions("j1")].map(
      ({ queryKey }) => client.getQueryState(queryKey)?.isInvalidated,
    );

  await client.invalidateQueries(about({ box: "b4" }));
  expect(stale()).toEqual([true, false, false]);
  await client.invalidateQueries(about({ job: "j1" }));
  expect(stale()).toEqual([true, false, true]);
});
