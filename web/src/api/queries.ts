import { infiniteQueryOptions, queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type Schemas } from "./client";

/** Key, fetcher and type of everything that is asked of the server, together once. */
export const sessionOptions = queryOptions({
  queryKey: ["session"],
  queryFn: api.session,
  staleTime: 60_000,
});

/** Whether whoever is logged in sees prices and decides for the firm. The server decides; this only leaves away what it would refuse. */
export const useLeads = () => useQuery(sessionOptions).data?.role !== "FITTER";

export const accountOptions = queryOptions({ queryKey: ["account"], queryFn: api.account });

export const aboutOptions = queryOptions({ queryKey: ["about"], queryFn: api.about });

export const tokensOptions = queryOptions({ queryKey: ["tokens"], queryFn: api.tokens });

export const peopleOptions = queryOptions({ queryKey: ["people"], queryFn: api.people });

export const assignedOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "assigned"], queryFn: () => api.assigned(job) });

export const guestLinksOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "guests"], queryFn: () => api.guestLinks(job) });

export const guideOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "guide"], queryFn: () => api.guide(job) });

export const dayBookOptions = queryOptions({ queryKey: ["day-book"], queryFn: api.dayBook });

export const campaignsOptions = queryOptions({ queryKey: ["campaigns"], queryFn: api.campaigns });

/** What was typed is asked when the hand rests; see the search box. */
export const searchOptions = (text: string) =>
  queryOptions({
    queryKey: ["search", text],
    queryFn: () => api.search(text),
    enabled: text.length > 1,
    staleTime: 10_000,
  });

type LogFilter = { box: string; who: string; concept: string; text: string };

/** Page by page, latest first. */
export const logOptions = (job: string, filter: LogFilter) =>
  infiniteQueryOptions({
    queryKey: ["job", job, "log", filter],
    queryFn: ({ pageParam }) =>
      api.log(job, {
        ...Object.fromEntries(Object.entries(filter).filter(([, value]) => value !== "")),
        ...(pageParam > 0 ? { before: pageParam } : {}),
      }),
    initialPageParam: 0,
    getNextPageParam: (page) => page.older,
  });

export const trendsOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "trends"], queryFn: () => api.trends(job) });

export const regionsOptions = queryOptions({
  queryKey: ["regions"],
  queryFn: api.regions,
  staleTime: Number.POSITIVE_INFINITY,
});

export const jobOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job], queryFn: () => api.job(job), refetchInterval: 15_000 });

export const surveyOptions = (box: string) =>
  queryOptions({ queryKey: ["box", box, "survey"], queryFn: () => api.survey(box) });

/** What is matched or planned together: gangs of a box, or loads that hang in it. */
export type Position = { gangs: number[]; loads: number[] };

export const matchOptions = (box: string, position: Position, scheme?: Schemas["OfferView"]["scheme"]) =>
  queryOptions({
    queryKey: ["box", box, "match", position, scheme],
    queryFn: () => api.match(box, { ...position, scheme }),
  });

export const schemesOptions = (box: string, position: Position) =>
  queryOptions({
    queryKey: ["box", box, "schemes", position],
    queryFn: () => api.schemes(box, position),
  });

/** @param off labels of circuits that are switched off in the drawing */
export const planOptions = (box: string, off: string[] = []) =>
  queryOptions({
    queryKey: ["box", box, "plan", off],
    queryFn: () => api.plan(box, off),
    placeholderData: (before) => (off.length > 0 ? before : undefined),
  });

export const traceOptions = (box: string) =>
  queryOptions({ queryKey: ["box", box, "trace"], queryFn: () => api.trace(box) });

export const circuitSumsOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "sums"], queryFn: () => api.circuitSums(job), staleTime: 60_000 });

export const needsOptions = (box: string) =>
  queryOptions({ queryKey: ["box", box, "needs"], queryFn: () => api.needs(box) });

export const photosOptions = (box: string) =>
  queryOptions({ queryKey: ["photos", box], queryFn: () => api.photos(box) });

export const stockOptions = queryOptions({ queryKey: ["stock"], queryFn: api.stock });

export const estimatesOptions = queryOptions({ queryKey: ["estimates"], queryFn: api.estimates });

export const tradeOptions = queryOptions({ queryKey: ["trade"], queryFn: api.trade });

/** Under the pick list, so that whatever changes that changes this too. */
export const jobCostOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "pick-list", "cost"], queryFn: () => api.jobCost(job) });

export const houseSettingsOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "settings"], queryFn: () => api.houseSettings(job) });

export const houseMatchOptions = (job: string, page: number) =>
  queryOptions({ queryKey: ["job", job, "house-match", page], queryFn: () => api.houseMatch(job, page) });

/** Asked for twice a second while a choice is running. */
export const houseChoicesOptions = (job: string) =>
  queryOptions({
    queryKey: ["job", job, "choices"],
    queryFn: () => api.houseChoices(job),
    refetchInterval: (query) =>
      query.state.data?.some((choice) => choice.state === "RUNNING") ? 500 : false,
  });

export const pickListOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "pick-list"], queryFn: () => api.pickList(job) });

export const benchOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "bench"], queryFn: () => api.bench(job) });

export const feelOptions = (box: string) =>
  queryOptions({ queryKey: ["box", box, "feel"], queryFn: () => api.feel(box) });

export const rulesOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "rules"], queryFn: () => api.rules(job) });

export const joinOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "join"], queryFn: () => api.join(job), refetchInterval: 1500 });

export const standInOptions = (job: string) =>
  queryOptions({
    queryKey: ["job", job, "stand-in"],
    queryFn: () => api.standIn(job),
    refetchInterval: 1500,
  });

export const firmwareOptions = (job: string) =>
  queryOptions({
    queryKey: ["job", job, "firmware"],
    queryFn: () => api.firmware(job),
    refetchInterval: 1500,
  });

export const dayOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "day"], queryFn: () => api.day(job) });

export const namesOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "names"], queryFn: () => api.names(job) });

export const practiceBookOptions = queryOptions({ queryKey: ["practice"], queryFn: api.practiceBook });

export const practiceWallOptions = (run: string) =>
  queryOptions({ queryKey: ["practice", run], queryFn: () => api.practiceWall(run) });

/** A plan with ends put elsewhere; nothing is kept. */
export const whatIfOptions = (box: string, moves: Schemas["EndMove"][]) =>
  queryOptions({
    queryKey: ["box", box, "what-if", moves],
    queryFn: () => api.whatIf(box, moves),
    placeholderData: (before) => before,
  });

export const openFindingsOptions = (box: string) =>
  queryOptions({ queryKey: ["box", box, "found-otherwise"], queryFn: () => api.openFindings(box) });

const latestSheets = new Map<string, Schemas["RunSheetView"]>();

/** Of two answers about a run sheet the later one, whichever arrives first: a step that was recorded is never open again for a moment. */
export function latestSheet(box: string, sheet?: Schemas["RunSheetView"] | null) {
  const known = latestSheets.get(box);
  if (!sheet || (known && known.startedAt === sheet.startedAt && known.version > sheet.version)) {
    return sheet ? known : undefined;
  }
  latestSheets.set(box, sheet);
  return sheet;
}

export const runSheetOptions = (box: string) =>
  queryOptions({
    queryKey: ["box", box, "run-sheet"],
    queryFn: async () => ({ sheet: latestSheet(box, (await api.runSheet(box)).sheet) }),
    // Somebody else may work on it.

    refetchInterval: 10_000,
  });

export const loadsOptions = (text: string) =>
  queryOptions({
    queryKey: ["loads", text],
    queryFn: () => api.readLoads(text),
    staleTime: Number.POSITIVE_INFINITY,
  });

/**
 * After a change to a box everything that depends on it is asked for again. The job comes first: the isolation strip must
 * never be behind the sheet.
 */
export function useBoxChanged(job: string, box: string) {
  const queries = useQueryClient();
  return async () => {
    await queries.invalidateQueries({ queryKey: ["job", job] });
    await queries.invalidateQueries({ queryKey: ["box", box] });
  };
}

export const liveOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "live"], queryFn: () => api.liveHouse(job) });

export const handoverOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "handover"], queryFn: () => api.handover(job) });

/** Asked again while a paper is on its way. */
export const papersOptions = (job: string) =>
  queryOptions({
    queryKey: ["job", job, "papers"],
    queryFn: () => api.papers(job),
    refetchInterval: (query) =>
      query.state.data?.papers.some((paper) => paper.state === "RUNNING") ? 500 : false,
  });

export const checksOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "checks"], queryFn: () => api.checks(job) });

export const brokerAccountsOptions = (job: string) =>
  queryOptions({ queryKey: ["job", job, "broker-accounts"], queryFn: () => api.brokerAccounts(job) });
