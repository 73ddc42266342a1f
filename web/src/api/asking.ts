/** A question that a request waits on: whether work that was issued may be opened again. */
export type Question = { words: string; answer: (yes: boolean) => void };

let now: Question | undefined;
const listeners = new Set<() => void>();

function is(question: Question | undefined) {
  now = question;
  for (const listener of listeners) {
    listener();
  }
}

export const asking = {
  subscribe(listener: () => void) {
    listeners.add(listener);
    return () => {
      listeners.delete(listener);
    };
  },
  now: () => now,
  /** Asks one thing at a time; what is asked beside it is answered with no. */
  ask(words: string): Promise<boolean> {
    if (now) {
      return Promise.resolve(false);
    }
    return new Promise((resolve) =>
      is({
        words,
        answer: (yes) => {
          is(undefined);
          resolve(yes);
        },
      }),
    );
  },
};

const OPENS_ISSUED_WORK = "urn:problem:opens-issued-work";
/** Says that a change is meant to open issued work again. */
export const OPENS_AGAIN = { "Opens-Again": "yes" };

/** Sends a request; where it would open work that was issued, it goes again only when a person says so. */
export async function sendAsking(request: Request): Promise<Response> {
  const again = request.clone();
  const answer = await fetch(request);
  if (answer.status !== 409 || again.headers.has("Opens-Again")) {
    return answer;
  }
  const problem = (await answer
    .clone()
    .json()
    .catch(() => ({}))) as { type?: string; title?: string };
  if (problem.type !== OPENS_ISSUED_WORK || !(await asking.ask(problem.title ?? ""))) {
    return answer;
  }
  again.headers.set("Opens-Again", OPENS_AGAIN["Opens-Again"]);
  return fetch(again);
}
