import createClient, { type Middleware } from "openapi-fetch";
import { sendAsking } from "./asking";
import { outage } from "./outage";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];

/** What is wrong at one place of a request. */
export type FieldProblem = { pointer: string; found: string; expected: string };

/** A refusal of the server: an RFC 9457 problem. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    title: string,
    readonly errors: FieldProblem[],
  ) {
    super(title);
  }
}

/** The server could not be reached, or cannot work at the moment; what was typed is still there. */
export class NoConnection extends Error {
  constructor(words = "The clerk cannot be reached. What you entered is still here; try again.") {
    super(words);
  }
}

/** Answers of the clerk, or of a proxy before it, that pass. */
const AWAY = [502, 503, 504];

function away(words?: string): NoConnection {
  const gone = new NoConnection(words);
  outage.tell(gone.message);
  return gone;
}

const crossSiteToken = () => /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1];

const guard: Middleware = {
  onRequest({ request }) {
    const token = crossSiteToken();
    if (token && request.method !== "GET") {
      request.headers.set("X-XSRF-TOKEN", decodeURIComponent(token));
    }
    return request;
  },
};

export const client = createClient<paths>({ baseUrl: "", fetch: sendAsking });
client.use(guard);

type Answer<T> = Promise<{ data?: T; error?: unknown; response: Response }>;

/** The data of an answer, or a thrown problem. */
export async function dataOf<T>(answer: Answer<T>): Promise<T> {
  let settled: Awaited<Answer<T>>;
  try {
    settled = await answer;
  } catch {
    throw away();
  }
  const { data, error, response } = settled;
  if (AWAY.includes(response.status)) {
    throw away((error as { title?: string } | undefined)?.title);
  }
  outage.tell(undefined);
  if (!response.ok) {
    const problem = (error ?? {}) as { title?: string; errors?: FieldProblem[] };
    throw new ApiProblem(
      response.status,
      problem.title ?? `The clerk answered ${response.status}.`,
      problem.errors ?? [],
    );
  }
  return data as T;
}
