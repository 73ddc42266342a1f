import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/transport";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { DayBookPage } from "./DayBookPage";
import { JobDetails } from "./JobDetails";
import { JobFile } from "./JobFile";

const job = {
  id: "j1",
  name: "Sluice Cottage",
  place: "Weir Row",
  contact: "",
  state: "WORK",
} as unknown as Schemas["DayBookEntryView"];

/** Names under which something was saved; the browser of the tests would leave the page. */
const savedAs: string[] = [];

beforeEach(() => {
  vi.spyOn(HTMLAnchorElement.prototype, "click").mockImplementation(function (this: HTMLAnchorElement) {
    savedAs.push(this.download);
  });
});

afterEach(() => {
  cleanup();
  forget();
  savedAs.length = 0;
  vi.restoreAllMocks();
});

describe("details of a job", () => {
  const session = (role: string) => ({ match: /GET .*session/, body: { loggedIn: true, role } });

  it("deletes only what was saved as a file, and asks first", async () => {
    answers.push(
      session("OWNER"),
      { match: /export$/, body: { format: "hidden-clerk-job" }, headers: { ETag: 'W/"4711"' } },
      { match: /DELETE .*jobs\/j1/, status: 204 },
      { match: /(assigned|guests)$/, body: [] },
    );
    const hand = userEvent.setup();
    show(<JobDetails job={job} />);
    expect(screen.getByRole("button", { name: "delete" })).toHaveProperty("disabled", true);
    await hand.click(screen.getByRole("button", { name: "save as a file" }));
    await waitFor(() =>
      expect(screen.queryByText("A job is deleted only after it was saved as a file.")).toBeNull(),
    );
    expect(savedAs).toEqual(["Sluice Cottage.job.json"]);
    await hand.click(screen.getByRole("button", { name: "delete" }));
    expect(asked.some((request) => request.method === "DELETE")).toBe(false);
    await hand.click(screen.getByRole("button", { name: "delete it" }));
    await waitFor(() => expect(asked.find((r) => r.method === "DELETE")?.url).toMatch(/jobs\/j1\?.*4711/));
  });

  it("says what goes with its people before it removes them", async () => {
    answers.push(
      session("LEAD"),
      { match: /DELETE .*people$/, status: 204 },
      { match: /(assigned|guests)$/, body: [] },
    );
    const hand = userEvent.setup();
    show(<JobDetails job={job} />);
    await hand.click(screen.getByRole("button", { name: "remove its people" }));
    expect(screen.getByText(/gone for good\. Boxes, wirings and tests stay\./)).toBeTruthy();
    await hand.click(screen.getByRole("button", { name: "leave it" }));
    expect(asked.some((request) => request.method === "DELETE")).toBe(false);
    await hand.click(screen.getByRole("button", { name: "remove its people" }));
    await hand.click(screen.getByRole("button", { name: "remove them" }));
    await waitFor(() => expect(asked.find((r) => r.method === "DELETE")?.url).toMatch(/jobs\/j1\/people$/));
  });

  it("leaves a visit away that is not set, and offers a fitter nothing that is for leads", async () => {
    answers.push(session("FITTER"), { match: /PUT .*details$/, status: 204 });
    const hand = userEvent.setup();
    show(<JobDetails job={job} />);
    await hand.type(screen.getByLabelText("Whom to call"), "the miller");
    await hand.click(screen.getByRole("button", { name: "keep" }));
    await waitFor(() =>
      expect(asked.find((r) => r.method === "PUT")?.body).toEqual({
        name: "Sluice Cottage",
        place: "Weir Row",
        contact: "the miller",
      }),
    );
    await waitFor(() => expect(screen.queryByText("Works here")).toBeNull());
  });
});

describe("the day book", () => {
  it("finds anything by its key, over all houses", async () => {
    answers.push(
      { match: /GET .*session/, body: { loggedIn: true, role: "OWNER" } },
      { match: /day-book/, body: [] },
      {
        match: /search\?/,
        body: [
          {
            kind: "MODULE",
            job: "j1",
            jobName: "Sluice Cottage",
            title: "SN-77",
            detail: "TG-1N",
            label: "B-04",
          },
        ],
      },
      { match: /GET/, body: [] },
    );
    const hand = userEvent.setup();
    show(<DayBookPage />);
    await screen.findByText("Open a job");
    await hand.keyboard("/");
    expect(document.activeElement).toBe(screen.getByLabelText("find anything"));
    await hand.keyboard("sn-77");
    expect((await screen.findByRole("option")).textContent).toBe("SN-77 B-04 · TG-1N · Sluice Cottage");
  });
});

describe("a job from a file", () => {
  const outcome = (more: object) => ({
    job: "j9",
    name: "Mill Race",
    version: 2,
    isNew: true,
    counts: [{ part: "box", added: 3, changed: 0, removed: 0 }],
    refused: [],
    notes: ["Codes open with this firm's keys only."],
    applied: false,
    ...more,
  });
  const file = () =>
    new File(['{"format":"hidden-clerk-job"}'], "mill.job.json", { type: "application/json" });

  it("is tried first and taken only when somebody says so", async () => {
    answers.push(
      { match: /apply=false/, body: outcome({}) },
      { match: /apply=true/, body: outcome({ applied: true }) },
    );
    const hand = userEvent.setup();
    show(<JobFile />);
    await hand.upload(screen.getByLabelText("job file"), file());
    await screen.findByText("Mill Race would be a new job.");
    expect(screen.getByText("Codes open with this firm's keys only.")).toBeTruthy();
    expect(asked.some((r) => r.url.includes("apply=true"))).toBe(false);
    await hand.click(screen.getByRole("button", { name: "take it" }));
    await screen.findByText(/Mill Race is taken\./);
    expect(screen.getByRole("link", { name: "open it" }).getAttribute("href")).toBe("/jobs/j9");
  });

  it("tells every place that stands against it, and cannot be taken", async () => {
    answers.push({
      match: /apply=false/,
      body: outcome({
        refused: [
          { pointer: "/parts/box/0/label", found: "nothing", expected: "a label" },
          { pointer: "/parts/box/1/roomId", found: "another job's room", expected: "a room of this job" },
        ],
      }),
    });
    const hand = userEvent.setup();
    show(<JobFile />);
    await hand.upload(screen.getByLabelText("job file"), file());
    await screen.findByText("Refused, at 2 places. Nothing is stored.");
    expect(screen.getByText("/parts/box/1/roomId")).toBeTruthy();
    expect(screen.queryByRole("button", { name: "take it" })).toBeNull();
  });

  it("says that nothing would change where it says what is here already", async () => {
    answers.push({ match: /apply=false/, body: outcome({ isNew: false, counts: [] }) });
    const hand = userEvent.setup();
    show(<JobFile />);
    await hand.upload(screen.getByLabelText("job file"), file());
    await screen.findByText("Mill Race is here already and would be replaced.");
    expect(screen.getByText(/taking it changes nothing/)).toBeTruthy();
  });
});
