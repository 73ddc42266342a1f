import { configure } from "@testing-library/react";

/** A busy machine may take its time; what is waited for still has to come. */
configure({ asyncUtilTimeout: 5_000 });

/** What the stand-in server answers, and what it was asked; emptied by `forget` after each test. */
export const answers: { match: RegExp; status?: number; body?: unknown; headers?: Record<string, string> }[] =
  [];
export const asked: { url: string; method: string; body: unknown; headers: Headers }[] = [];

/** A setup file of the tests: the client takes fetch when it is made, so this must run before it is imported. */
globalThis.fetch = async (input) => {
  const request = input as Request;
  const text = await request.clone().text();
  asked.push({
    url: request.url,
    method: request.method,
    body: text ? JSON.parse(text) : undefined,
    headers: request.headers,
  });
  request.signal.throwIfAborted();
  const answer = answers.find((a) => a.match.test(`${request.method} ${request.url}`));
  if (!answer) {
    throw new TypeError("no answer");
  }
  return new Response(answer.body === undefined ? null : JSON.stringify(answer.body), {
    status: answer.status ?? 200,
    headers: { "Content-Type": "application/json", ...answer.headers },
  });
};

export function forget() {
  answers.length = 0;
  asked.length = 0;
}
