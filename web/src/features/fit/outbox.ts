import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { about } from "../../api/changed";
import { ApiProblem, NoConnection, type Schemas } from "../../api/transport";
import { api, latestSheet, runSheetOptions } from "./api";

/** What a hand enters on a run sheet. Each goes to the server once, by its key, however weak the connection is. */
export type Deed =
  | { do: "enter"; stepId: string; confirmed: string[]; readings: Record<string, number>; note: string }
  | { do: "tick"; stepId: string; item: string; on: boolean }
  | { do: "measure"; stepId: string; item: string; value: number }
  | { do: "skip"; stepId: string; reason: string };

export type Letter = { key: string; deed: Deed; refused?: string };

const RETRY_MS = 3_000;
const slot = (box: string) => `outbox ${box}`;

/** Letters of a box that wait for the network, oldest first; they outlive the page. */
export function lettersOf(box: string): Letter[] {
  try {
    return JSON.parse(localStorage.getItem(slot(box)) ?? "[]") as Letter[];
  } catch {
    return [];
  }
}

const send = (box: string, { key, deed }: Letter): Promise<Schemas["RunSheetView"]> => {
  switch (deed.do) {
    case "enter":
      return api.enterStep(box, {
        key,
        stepId: deed.stepId,
        confirmed: deed.confirmed,
        readings: deed.readings,
        note: deed.note,
      });
    case "tick":
      return api.tickStep(box, { key, stepId: deed.stepId, item: deed.item, on: deed.on });
    case "measure":
      return api.measureStep(box, { key, stepId: deed.stepId, item: deed.item, value: deed.value });
    case "skip":
      return api.skipStep(box, { key, stepId: deed.stepId, reason: deed.reason });
  }
};

const SHOWN_MS = 40;
const shown = () => new Promise((done) => setTimeout(done, SHOWN_MS));

const wordsOf = (problem: ApiProblem) =>
  [problem.message, ...problem.errors.map((e) => `${e.found}; expected: ${e.expected}`)].join(": ");

/** The outbox of a box: letters leave in their order, and stay while the server cannot be reached. */
export function useOutbox(box: string, onSent: () => void) {
  const queries = useQueryClient();
  const [letters, setLetters] = useState(() => lettersOf(box));
  const [away, setAway] = useState(false);
  const busy = useRef(false);
  const sent = useRef(onSent);
  sent.current = onSent;

  const keep = useCallback(
    (change: (now: Letter[]) => Letter[]) => {
      const next = change(lettersOf(box));
      localStorage.setItem(slot(box), JSON.stringify(next));
      setLetters(next);
    },
    [box],
  );

  const post = useCallback(async () => {
    if (busy.current) {
      return;
    }
    busy.current = true;
    try {
      for (
        let next = lettersOf(box).find((l) => !l.refused);
        next;
        next = lettersOf(box).find((l) => !l.refused)
      ) {
        const letter = next;
        try {
          const view = await send(box, letter);
          setAway(false);
          queries.setQueryData(runSheetOptions(box).queryKey, { sheet: latestSheet(box, view) });
          // The letter goes when the sheet shows what came of it; else the step would be open again for a moment.
          await shown();
          keep((now) => now.filter((l) => l.key !== letter.key));
          sent.current();
        } catch (error) {
          if (error instanceof ApiProblem && error.status < 500) {
            // The server decides: what it refuses is shown, and nothing is tried again behind anybody's back.
            keep((now) => now.map((l) => (l.key === letter.key ? { ...l, refused: wordsOf(error) } : l)));
            await queries.invalidateQueries(about({ box }));
          } else {
            setAway(error instanceof NoConnection || error instanceof ApiProblem);
            return;
          }
        }
      }
    } finally {
      busy.current = false;
    }
  }, [box, keep, queries]);

  useEffect(() => {
    const again = () => void post();
    const timer = setInterval(again, RETRY_MS);
    window.addEventListener("online", again);
    again();
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, [post]);

  return {
    letters,
    away,
    put: (deed: Deed) => {
      keep((now) => [...now, { key: crypto.randomUUID(), deed }]);
      void post();
    },
    forget: (key: string) => keep((now) => now.filter((l) => l.key !== key)),
  };
}

/**
 * The sheet as it will be once letters have arrived. Only what is no gate is shown as done before the server has it: a gate is
 * passed when the server says so.
 */
export function withLetters(sheet: Schemas["RunSheetView"], letters: Letter[]): Schemas["RunSheetView"] {
  const waiting = letters.filter((l) => !l.refused).map((l) => l.deed);
  const steps = sheet.steps.map((step) => {
    const deed = waiting.find((d) => d.do !== "tick" && d.do !== "measure" && d.stepId === step.id);
    if (!deed || step.gate || step.done) {
      return step;
    }
    const note = deed.do === "skip" ? deed.reason : deed.do === "enter" ? deed.note : "";
    return {
      ...step,
      open: false,
      done: {
        who: "waits for the network",
        when: "",
        readings: {},
        inShort: "",
        note,
        skipped: deed.do === "skip",
      },
    };
  });
  const current = steps.find((step) => !step.done)?.id;
  return { ...sheet, steps, current, done: steps.filter((step) => step.done).length };
}
