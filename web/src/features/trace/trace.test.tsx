import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { job } from "../../testing";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { TraceSheet } from "./TraceSheet";

afterEach(() => {
  cleanup();
  forget();
});

const core = (more: Partial<Schemas["CoreSeen"]>): Schemas["CoreSeen"] => ({
  id: "A/c1.1",
  letters: "BN",
  colour: "BROWN",
  cable: "c1",
  at: "gang 1, COM",
  roles: ["permanent live", "switched live"],
  certain: false,
  agrees: true,
  surveyed: "permanent live",
  ...more,
});

const next: Schemas["Next"] = {
  title: "Is the brown core of c1 live?",
  steps: ["Put both switches up.", "Touch the brown core of c1 and earth."],
  caution: "The circuit is on: gloves, and one hand in the box.",
  ifTrue: "live",
  ifFalse: "not live",
  leavesIfTrue: 2,
  leavesIfFalse: 0,
  why: "It halves what is left.",
  reading: { kind: "LIVE", core: "A/c1.1", with: { A: 0 }, value: true },
};

const trace = (more: Partial<Schemas["TraceView"]> = {}): Schemas["TraceView"] => ({
  boxes: [
    {
      id: "A",
      label: "B-01",
      switches: [],
      cores: [
        core({}),
        core({ id: "A/c1.2", letters: "BU", colour: "BLUE", roles: ["neutral"], certain: true }),
      ],
    },
  ],
  kinds: [],
  obstacles: [],
  readings: [],
  staleReadings: 0,
  possible: 2,
  done: false,
  contradictory: false,
  writable: true,
  next,
  ...more,
});

const reading = (more: Partial<Schemas["ReadingKept"]>): Schemas["ReadingKept"] => ({
  id: "r1",
  words: "brown of c1 is live",
  value: true,
  by: "N. Reed",
  at: "2026-12-01T10:00:00Z",
  weak: false,
  conflicts: false,
  ...more,
});

const served = (view: Schemas["TraceView"]) =>
  answers.push(
    { match: /POST .*trace\/readings$/, body: view },
    { match: /DELETE .*trace\/readings\/r1$/, body: view },
    { match: /POST .*trace\/write$/, body: view },
    { match: /GET .*findings/, body: [] },
    { match: /GET .*trace$/, body: view },
  );

const sent = (part: string) =>
  asked.filter((request) => request.method !== "GET" && request.url.includes(part));

describe("tracing conductors", () => {
  it("asks the test that tells most, with what each answer leaves and its caution", async () => {
    served(trace());
    show(<TraceSheet job={job()} box="b1" />);
    const card = within(await screen.findByRole("region", { name: "Next test" }));
    expect(card.getByText(/The circuit is on/)).toBeTruthy();
    expect(card.getByRole("button", { name: /^live/ }).textContent).toContain("leaves 2");
    expect(card.getByRole("button", { name: /^not live/ }).textContent).toContain(
      "would contradict a reading",
    );
  });

  it("takes an answer by a key, as the reading that was asked for", async () => {
    served(trace());
    show(<TraceSheet job={job()} box="b1" />);
    await screen.findByText(next.title);
    fireEvent.keyDown(document.body, { key: "n" });
    await waitFor(() => expect(sent("/readings")[0]?.body).toEqual({ ...next.reading, value: false }));
  });

  it("shows of a core what it can still be, and where the survey says otherwise", async () => {
    served(
      trace({
        boxes: [
          {
            id: "A",
            label: "B-01",
            switches: [],
            cores: [
              core({ agrees: false }),
              core({ id: "x", cable: "c2", roles: ["neutral"], certain: true }),
            ],
          },
        ],
      }),
    );
    show(<TraceSheet job={job()} box="b1" />);
    expect(await screen.findByText("permanent live or switched live")).toBeTruthy();
    expect(screen.getByText("surveyed as permanent live")).toBeTruthy();
  });

  it("marks readings that contradict each other and lets one be taken back", async () => {
    served(
      trace({
        next: undefined,
        contradictory: true,
        possible: 0,
        readings: [reading({ conflicts: true })],
        nearest: "Without the first it would be a switch loop.",
      }),
    );
    const hand = userEvent.setup();
    show(<TraceSheet job={job()} box="b1" />);
    await screen.findByText("These readings cannot hold together");
    expect(screen.getByText("· contradicts")).toBeTruthy();
    expect(
      screen.queryByRole("button", { name: /write what is certain/ }),
      "nothing is certain now",
    ).toBeNull();
    await hand.click(screen.getByRole("button", { name: "take back: brown of c1 is live" }));
    await waitFor(() => expect(sent("/readings/r1")).toHaveLength(1));
  });

  it("writes what is certain only when somebody says so", async () => {
    served(trace({ next: undefined, done: true, possible: 1, readings: [reading({})] }));
    const hand = userEvent.setup();
    show(<TraceSheet job={job()} box="b1" />);
    await screen.findByText("Every core is certain");
    expect(sent("/write")).toHaveLength(0);
    await hand.click(screen.getByRole("button", { name: "write what is certain into the survey" }));
    await waitFor(() => expect(sent("/write")).toHaveLength(1));
  });

  it("says why boxes cannot be traced as they are surveyed", async () => {
    served(trace({ next: undefined, obstacles: ["B-01: c3 leads to a box in which it was not found"] }));
    show(<TraceSheet job={job()} box="b1" />);
    expect(await screen.findByText(/c3 leads to a box/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: /write what is certain/ })).toBeNull();
  });
});
