import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { LogSheet } from "./LogSheet";

afterEach(() => {
  cleanup();
  forget();
});

const entry = (id: number, at: string, more: object = {}) => ({
  id,
  at,
  who: "M. Tarrow",
  concept: "box",
  action: "CHANGED",
  subject: "B-01",
  box: "B-01",
  boxId: "b1",
  words: "",
  changes: [{ field: "loads 1 typed", before: "LED 7", after: "LED 9" }],
  ...more,
});

const showLog = (at = "/jobs/j1/log") =>
  show(
    <LogSheet job={{ id: "j1", name: "Mill", boxes: [{ id: "b1", label: "B-01" }] } as Schemas["JobView"]} />,
    at,
  );

describe("the log book", () => {
  it("tells a story day by day, with what was and what is", async () => {
    answers.push({
      match: /\/log/,
      body: {
        entries: [
          entry(3, "2026-03-03T10:00:00Z"),
          entry(2, "2026-03-02T10:00:00Z", {
            action: "REMOVED",
            concept: "photo",
            subject: "",
            changes: [{ field: "caption", before: "open box", after: "" }],
          }),
          entry(1, "2026-03-02T09:00:00Z", { action: "ADDED", changes: [] }),
        ],
        people: ["M. Tarrow"],
        concepts: ["box", "photo"],
      },
    });
    showLog();
    await screen.findByText("Tuesday 3 March");
    expect(screen.getAllByText("Monday 2 March"), "two entries of a day have one head").toHaveLength(1);
    expect(screen.getByText("LED 7").tagName).toBe("DEL");
    expect(screen.getByText("nothing"), "what is gone is said").toBeTruthy();
    expect(screen.getAllByRole("link", { name: "B-01" })[0]?.getAttribute("href")).toBe(
      "/jobs/j1/boxes/b1/survey",
    );
    expect(screen.queryByRole("button", { name: "older" })).toBeNull();
  });

  it("asks for older entries below the number that the server told", async () => {
    answers.push(
      {
        match: /before=41/,
        body: { entries: [entry(40, "2026-03-01T10:00:00Z")], people: [], concepts: [] },
      },
      {
        match: /\/log/,
        body: { entries: [entry(41, "2026-03-02T10:00:00Z")], older: 41, people: [], concepts: [] },
      },
    );
    const hand = userEvent.setup();
    showLog();
    await hand.click(await screen.findByRole("button", { name: "older" }));
    await screen.findByText("Sunday 1 March");
    expect(screen.getByText("Monday 2 March")).toBeTruthy();
    expect(screen.queryByRole("button", { name: "older" })).toBeNull();
  });

  it("opens filtered by its address, and asks anew when the filter is another", async () => {
    answers.push({ match: /\/log/, body: { entries: [], people: ["N. Reed"], concepts: ["box"] } });
    const hand = userEvent.setup();
    showLog("/jobs/j1/log?box=b1");
    await screen.findByText(/Nothing in the log is like this/);
    expect(asked.at(-1)?.url).toMatch(/box=b1/);
    await hand.selectOptions(screen.getByLabelText("Who"), "N. Reed");
    await waitFor(() => expect(asked.at(-1)?.url).toMatch(/who=N\.%20Reed|who=N\.\+Reed/));
    expect(asked.at(-1)?.url, "the other filter stays").toMatch(/box=b1/);
  });

  it("shows the first of many values", async () => {
    const changes = Array.from({ length: 20 }, (_, i) => ({ field: `f${i}`, before: "", after: `${i}` }));
    answers.push({
      match: /\/log/,
      body: { entries: [entry(1, "2026-03-02T09:00:00Z", { changes })], people: [], concepts: [] },
    });
    showLog();
    await screen.findByText("and 8 more values");
    expect(screen.queryByText(/f12:/)).toBeNull();
  });
});
