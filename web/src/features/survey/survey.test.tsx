import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { afterEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { job } from "../../testing";
import { answers, asked, forget } from "../../testing/server";
import { newSurvey } from "./draft";
import { SurveySheet } from "./SurveySheet";

afterEach(() => {
  cleanup();
  forget();
});

function sheet(kept?: Schemas["SurveyView"]) {
  const house = job();
  return render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <SurveySheet
          job={house}
          room={{ id: "pantry", version: 0, name: "Pantry", storey: "Ground floor" }}
          kept={kept}
          start={kept?.survey ?? newSurvey("B-01", "c4")}
          margin={<p>notes</p>}
          noteCount={0}
        />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

const kept = (): Schemas["SurveyView"] => ({
  id: "b1",
  jobId: "job",
  roomId: "pantry",
  version: 4,
  changedBy: "M. Tarrow",
  changedAt: "2026-03-02T09:47:00Z",
  survey: newSurvey("B-01", "c4"),
  verdict: "OK",
  findings: [],
  issuedOnIt: [],
});

describe("the survey sheet", () => {
  it("tells the first step when there are no conductors", () => {
    sheet();
    expect(screen.getByText("No conductors yet. Drop the feed cable into the picture first.")).toBeTruthy();
    expect(screen.getByText("changes are not kept yet")).toBeTruthy();
  });

  it("shows what the clerk reads in a typed load", async () => {
    answers.push({ match: /loads\/read/, body: { words: "6 × LED lamp 7 W", totalWatts: 42, taken: [] } });
    const person = userEvent.setup();
    sheet();
    await person.click(screen.getByRole("button", { name: "add a load to gang 1" }));
    await person.type(screen.getByLabelText("What it is, load 1"), "3x2 LED 7");

    await waitFor(() => expect(screen.getByText(/42\sW/)).toBeTruthy());
  });

  it("drops a cable that the server drafts, and takes it back by undo", async () => {
    answers.push({
      match: /cable-draft/,
      body: {
        cables: [
          {
            name: "c1",
            leadsTo: "SUPPLY",
            circuit: "c4",
            mm2: 1.5,
            cores: [
              {
                number: 1,
                colour: "BROWN",
                role: "PERMANENT_LIVE",
                end: { at: "MECHANISM", gang: 1, terminal: "COM" },
              },
            ],
          },
        ],
        jumpers: [],
      },
    });
    const person = userEvent.setup();
    sheet();
    await person.click(screen.getByRole("button", { name: "feed of circuit 4" }));
    await waitFor(() => expect(screen.getByLabelText("role, core 1 of c1")).toBeTruthy());
    expect(screen.getByLabelText("end, core 1 of c1")).toHaveProperty("value", "g:1:COM");

    await person.click(screen.getByRole("button", { name: "undo" }));
    expect(screen.queryByLabelText("role, core 1 of c1")).toBeNull();
  });

  it("offers a jumper only between terminals that the mechanism has", async () => {
    const person = userEvent.setup();
    sheet();
    await person.selectOptions(screen.getByLabelText(/^Mechanism,/), "INTERMEDIATE");
    await person.click(screen.getByRole("button", { name: "add a jumper" }));

    expect(screen.getByLabelText("start of jumper-1")).toHaveProperty("value", "g:1:A1");
    expect(screen.getByLabelText("end of jumper-1")).toHaveProperty("value", "g:1:A2");
  });

  it("keeps a change with the version it was made on", async () => {
    answers.push({ match: /PUT/, body: kept() });
    const person = userEvent.setup();
    sheet(kept());
    const keep = screen.getByRole("button", { name: "keep the survey" });
    expect(keep).toHaveProperty("disabled", true);
    await person.clear(screen.getByLabelText("Label"));
    await person.type(screen.getByLabelText("Label"), "B-7");
    await person.click(keep);

    await waitFor(() => expect(asked.some((a) => a.method === "PUT")).toBe(true));
    const sent = asked.find((a) => a.method === "PUT")?.body as {
      version: number;
      survey: { label: string };
    };
    expect(sent.version).toBe(4);
    expect(sent.survey.label).toBe("B-7");
  });

  it("says where a refusal is and loses nothing that was typed", async () => {
    answers.push({
      match: /PUT/,
      status: 422,
      body: {
        title: "The survey cannot be kept like this",
        errors: [{ pointer: "/loads/0/typed", found: "candles", expected: "a kind of load" }],
      },
    });
    const person = userEvent.setup();
    sheet(kept());
    await person.type(screen.getByLabelText("Gang 1, name"), " by the door");
    await person.click(screen.getByRole("button", { name: "keep the survey" }));

    await waitFor(() => expect(screen.getByRole("alert").textContent).toContain("load 1, typed"));
    expect(screen.getByRole("alert").textContent).toContain("expected: a kind of load.");
    expect(screen.getByLabelText("Gang 1, name")).toHaveProperty("value", "Switch by the door");
  });

  it("asks before a change opens what was issued, at every box of the work", async () => {
    const person = userEvent.setup();
    sheet({ ...kept(), issuedOnIt: ["B-10"] });
    await person.type(screen.getByLabelText("Gang 1, name"), " by the door");

    expect(screen.getByRole("button", { name: "keep, and open B-10 again" })).toBeTruthy();
    expect(screen.getByText(/the plan issued for B-10 rests on this survey/)).toBeTruthy();
  });

  it("offers to load the box again when somebody else changed it", async () => {
    answers.push({ match: /PUT/, status: 409, body: { title: "R. Vane changed this box meanwhile." } });
    const person = userEvent.setup();
    sheet(kept());
    await person.click(screen.getByRole("button", { name: "add a gang" }));
    await person.click(screen.getByRole("button", { name: "keep the survey" }));

    await waitFor(() =>
      expect(screen.getByRole("button", { name: "load the box as it is now" })).toBeTruthy(),
    );
  });
});
