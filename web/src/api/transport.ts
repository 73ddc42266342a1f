import createClient, { type Middleware } from "openapi-fetch";
import createQueries from "openapi-react-query";
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
  /** Whoever asks gets the data or a thrown problem, whether by a query, a change or a plain call. */
  async onResponse({ response }) {
    if (AWAY.includes(response.status)) {
      throw away((await problemIn(response)).title);
    }
    outage.tell(undefined);
    if (!response.ok) {
      const { title, errors } = await problemIn(response);
      throw new ApiProblem(response.status, title ?? `The clerk answered ${response.status}.`, errors ?? []);
    }
  },
  /** A request that nobody waits for any more is given up, which says nothing about the clerk. */
  onError({ error }) {
    return (error as Error).name === "AbortError" ? undefined : away();
  },
};

const problemIn = (response: Response): Promise<{ title?: string; errors?: FieldProblem[] }> =>
  response.json().catch(() => ({}));

export const client = createClient<paths>({ baseUrl: "", fetch: sendAsking });
client.use(guard);

/** What is asked of the server by method and path: its key and how it is asked. `queryOptions` around it gives the key the answer's type. */
export const ask = createQueries(client).queryOptions;

/** The data of an answer. */
export const dataOf = async <T>(answer: Promise<{ data?: T }>): Promise<T> => (await answer).data as T;
