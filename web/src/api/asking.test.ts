import { beforeEach, expect, it } from "vitest";
import { ApiProblem } from "./transport";
import { api } from "../features/match/api";
import { answers, asked, forget } from "../testing/server";
import { asking } from "./asking";

const question = async () => {
  for (let i = 0; i < 100 && !asking.now(); i++) {
    await new Promise((done) => setTimeout(done, 5));
  }
  return asking.now();
};

beforeEach(() => {
  forget();
  answers.push({
    match: /PUT .*plan/,
    status: 409,
    body: {
      type: "urn:problem:opens-issued-work",
      title: "The plan issued for B-04, B-07 rests on this.",
      errors: [],
    },
  });
});

it("asks before issued work is opened again, and changes nothing when the answer is no", async () => {
  const change = api.choose("b4", { version: 1, picks: [] });
  const shown = await question();
  expect(shown?.words).toBe("The plan issued for B-04, B-07 rests on this.");
  shown?.answer(false);

  await expect(change).rejects.toThrow(ApiProblem);
  expect(asked).toHaveLength(1);
  expect(asking.now()).toBeUndefined();
});

it("sends the change again, saying that it is meant, when the answer is yes", async () => {
  const change = api.choose("b4", { version: 1, picks: [] });
  (await question())?.answer(true);

  await expect(change).rejects.toThrow(ApiProblem);
  expect(asked.map((request) => request.headers.get("Opens-Again"))).toEqual([null, "yes"]);
  expect(asked[1]?.body).toEqual(asked[0]?.body);
});

it("asks nothing where the box was changed by somebody else", async () => {
  answers.length = 0;
  answers.push({
    match: /PUT/,
    status: 409,
    body: { title: "R. Vane changed this box meanwhile.", errors: [] },
  });
  await expect(api.choose("b4", { version: 1, picks: [] })).rejects.toThrow("meanwhile");
  expect(asking.now()).toBeUndefined();
});
