import { type QueryClient, useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef } from "react";
import { planOptions } from "../draw/api";
import { feelOptions } from "../feel/api";
import { runSheetOptions } from "../fit/api";
import { matchOptions, schemesOptions } from "../match/api";
import { needsOptions, surveyOptions } from "../survey/api";
import { traceOptions } from "../trace/api";

/** Milliseconds that a hand must rest, so that one that only passes over fetches nothing. */
const REST = 60;

/** Fetches what a sheet of a box shows before it is opened: when a hand is on the way there. */
export function useFetchAhead() {
  const queries = useQueryClient();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  return useCallback(
    (box: string, stage: string) => {
      clearTimeout(timer.current);
      timer.current = setTimeout(() => fetchSheet(queries, box, stage), REST);
    },
    [queries],
  );
}

/** Fetches what a sheet shows; what cannot be had is left to the sheet to tell. */
export function fetchSheet(queries: QueryClient, box: string, stage: string) {
  switch (stage) {
    case "survey":
      queries.prefetchQuery(surveyOptions(box));
      queries.prefetchQuery(needsOptions(box));
      break;
    case "trace":
      queries.prefetchQuery(traceOptions(box));
      break;
    case "match":
      fetchMatch(queries, box).catch(() => undefined);
      break;
    case "draw":
      queries.prefetchQuery(planOptions(box));
      break;
    case "feel":
      queries.prefetchQuery(feelOptions(box));
      break;
    case "fit":
      queries.prefetchQuery(runSheetOptions(box));
      break;
    default:
  }
}

async function fetchMatch(queries: QueryClient, box: string) {
  const [plan] = await Promise.all([
    queries.fetchQuery(planOptions(box)),
    queries.prefetchQuery(surveyOptions(box)),
  ]);
  const group = plan.together[0];
  if (group) {
    const { gangs, loads } = group;
    const schemes = await queries.fetchQuery(schemesOptions(box, { gangs, loads }));
    const picked = plan.picks.find((pick) => pick.gangs.join() === group.gangs.join())?.scheme;
    const scheme = picked ?? schemes.offers.find((offer) => offer.best)?.scheme;
    if (scheme) {
      await queries.prefetchQuery(matchOptions(box, { gangs, loads }, scheme));
    }
  }
}
