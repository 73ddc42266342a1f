import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, liveOptions } from "./api";

type View = Schemas["LiveView"];
export type LiveNow = Schemas["LiveNow"];
export type LiveEvent = Schemas["LiveEvent"] & { id: number };

const KEPT = 80;
/** The house is told of every two seconds at least; after this there is no news of it. */
const STALE_MS = 6_000;

let told = 0;
const numbered = (events: Schemas["LiveEvent"][]) =>
  events.map((event) => ({ ...event, id: told++ })).reverse();

/** A house that runs: how it stays, how it is now, what happened last, and what can be done to it. */
export function useLive(job: string) {
  const queries = useQueryClient();
  const view = useQuery(liveOptions(job));
  const [now, setNow] = useState<LiveNow>();
  const [events, setEvents] = useState<LiveEvent[]>([]);
  const [stale, setStale] = useState(false);
  const running = Boolean(view.data?.now);

  useEffect(() => {
    setNow(view.data?.now);
    setEvents(numbered(view.data?.events ?? []).slice(0, KEPT));
  }, [view.data]);

  useEffect(() => {
    if (!running) {
      return;
    }
    let last = Date.now();
    const source = new EventSource(`/api/v1/jobs/${job}/live/events`);
    const heard = () => {
      last = Date.now();
      setStale(false);
    };
    source.addEventListener("now", (event) => {
      heard();
      setNow(JSON.parse(event.data));
    });
    let first = true;
    source.addEventListener("happened", (event) => {
      heard();
      const more = numbered(JSON.parse(event.data));
      // Whoever comes is told first what is known already.
      setEvents((known) => [...more, ...(first ? [] : known)].slice(0, KEPT));
      first = false;
    });
    source.addEventListener("over", () => queries.invalidateQueries({ queryKey: liveOptions(job).queryKey }));
    source.addEventListener("open", () => {
      first = true;
    });
    const timer = setInterval(() => setStale(Date.now() - last > STALE_MS), 1_000);
    return () => {
      source.close();
      clearInterval(timer);
    };
  }, [job, running, queries]);

  const change = useMutation({
    mutationFn: (what: () => Promise<View>) => what(),
    onSuccess: (next) => queries.setQueryData(liveOptions(job).queryKey, next),
  });
  const deed = useMutation({
    mutationFn: (what: Schemas["LiveDeed"]) => api.doInLiveHouse(job, what),
    onSuccess: setNow,
  });
  return {
    view,
    now: running ? now : undefined,
    events,
    stale: running && stale,
    change,
    deed,
    does: (what: Schemas["LiveDeed"]) => deed.mutate(what),
  };
}

export type Does = ReturnType<typeof useLive>["does"];
