import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactNode } from "react";
import { MemoryRouter, Route, Routes, useLocation } from "react-router";
import { afterEach, beforeAll, describe, expect, it, vi } from "vitest";
import { box, finding, job } from "../../testing";
import { answers } from "../../testing/server";
import { IsolationSheet, IsolationStrip } from "./IsolationStrip";
import { MarginNotes } from "./MarginNotes";
import { PlateRail } from "./PlateRail";
import { Ribbon } from "./Ribbon";
import { SearchBox } from "./SearchBox";
import { STAGES } from "./stages";

function Address() {
  return <output>{useLocation().pathname}</output>;
}

function at(children: ReactNode) {
  return render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <Routes>
          <Route
            path="*"
            element={
              <>
                {children}
                <Address />
              </>
            }
          />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

beforeAll(() => {
  HTMLDialogElement.prototype.showModal ??= function show(this: HTMLDialogElement) {
    this.open = true;
  };
});
afterEach(cleanup);

describe("the plate rail", () => {
  it("shows the boxes by storey, with the worst finding as a mark with a name", () => {
    at(<PlateRail job={job()} selected="b1" stage="match" />);

    expect(screen.getAllByRole("heading").map((h) => h.textContent)).toEqual(["Ground floor", "Loft"]);
    const pantry = screen.getByRole("link", { name: /Pantry/ });
    expect(pantry.getAttribute("aria-current")).toBe("page");
    expect(pantry.getAttribute("href")).toBe("/jobs/job/boxes/b1/match");
    expect(
      within(screen.getByRole("link", { name: /Attic/ })).getByRole("img", { name: "stop" }),
    ).toBeTruthy();
  });

  it("says what to do next when there is no box", () => {
    at(<PlateRail job={job({ boxes: [] })} stage="survey" />);
    expect(screen.getByText("No boxes yet. Add a circuit and a room first.")).toBeTruthy();
  });

  it("shows only the boxes that are asked for", async () => {
    at(<PlateRail job={job()} stage="survey" />);
    await userEvent.setup().type(screen.getByLabelText("show only boxes with"), "b-02");
    expect(screen.queryByRole("link", { name: /Pantry/ })).toBeNull();
    expect(screen.getByRole("link", { name: /Attic/ })).toBeTruthy();
  });

  it("marks a fitted box with a ring", () => {
    const fitted = box("b1", "pantry", "B-01", { stages: [{ stage: "FIT", progress: "DONE" }] });
    at(<PlateRail job={job({ boxes: [fitted] })} stage="fit" />);
    expect(screen.getByRole("img", { name: "in order" })).toBeTruthy();
  });
});

describe("the ribbon", () => {
  it("has the ten stages with their keys and says how far each is", () => {
    at(<Ribbon job={job()} box={box("b1", "pantry", "B-01")} stage="draw" />);

    const tabs = screen.getAllByRole("link");
    expect(tabs).toHaveLength(10);
    expect(tabs.map((tab) => tab.getAttribute("title"))).toContain("Draw: re-opened");
    expect(tabs.map((tab) => tab.getAttribute("title"))).toContain("Hand over: open");
    expect(screen.getByRole("link", { name: /Draw/ }).getAttribute("aria-current")).toBe("step");
  });

  it("uses each key once", () => {
    expect(new Set(STAGES.map((stage) => stage.key)).size).toBe(10);
  });
});

describe("the margin", () => {
  it("gives fact, reason, remedy and source", () => {
    render(<MarginNotes findings={[finding()]} empty="" />);

    expect(screen.getByRole("heading", { name: "More load than the contact carries" })).toBeTruthy();
    expect(screen.getByText(/over by 138 W/)).toBeTruthy();
    expect(screen.getByText("split the load on more channels")).toBeTruthy();
    expect(screen.getByText("maker's rating in the stock book")).toBeTruthy();
  });

  it("leads to the first state in which a finding shows", async () => {
    const show = vi.fn();
    const state = { switches: { S1: 1 }, channels: {} };
    render(<MarginNotes findings={[finding({ states: [state] })]} empty="" onStates={show} />);
    await userEvent.setup().click(screen.getByRole("button", { name: "show the state" }));
    expect(show).toHaveBeenCalledWith(state);
  });

  it("says so when nothing was found", () => {
    render(<MarginNotes findings={[]} empty="The wiring as found shows no fault." />);
    expect(screen.getByText("The wiring as found shows no fault.")).toBeTruthy();
  });
});

describe("the isolation strip", () => {
  const open = job({
    isolation: [
      {
        circuit: "4",
        box: "B-01",
        boxId: "b1",
        state: "PROVED_DEAD",
        who: "M. Tarrow",
        since: "2026-03-02T09:47:00Z",
        locks: ["A. Mead"],
      },
      {
        circuit: "6",
        box: "B-02",
        boxId: "b2",
        state: "LIVE_WHILE_OPEN",
        who: "M. Tarrow",
        since: "2026-03-02T09:50:00Z",
        locks: ["A. Mead"],
      },
    ],
  });

  it("is plain while nothing is isolated", () => {
    render(<IsolationStrip job={job()} onSheet={() => {}} />);
    const strip = screen.getByRole("region", { name: "Isolation" });
    expect(strip.className).not.toContain("hatched");
    expect(within(strip).getByText("Nothing is isolated in this house.")).toBeTruthy();
  });

  it("is hatched while anything is open and never says safe", () => {
    render(<IsolationStrip job={open} onSheet={() => {}} />);
    const strip = screen.getByRole("region", { name: "Isolation" });
    expect(strip.className).toContain("hatched");
    expect(strip.textContent).toContain("Circuit 4 off, recorded dead · M. Tarrow");
    expect(strip.textContent).toContain("Circuit 6 on, box open");
    expect(strip.textContent).not.toMatch(/safe/i);
  });

  it("opens the sheet with every circuit and its other supply", () => {
    at(<IsolationSheet job={open} onClose={() => {}} />);
    expect(screen.getByText("has another supply")).toBeTruthy();
    expect(screen.getByText(/off, recorded dead, M\. Tarrow/)).toBeTruthy();
  });
});

describe("search", () => {
  it("finds a box by its room and goes there by keyboard", async () => {
    const person = userEvent.setup();
    at(<SearchBox job={job()} stage="draw" ref={null} />);

    await person.type(screen.getByRole("combobox"), "att");
    expect(screen.getAllByRole("option").map((o) => o.textContent)).toEqual(["Attic B-02 · Shelf lamps"]);
    await person.keyboard("{Enter}");

    expect(screen.getByRole("status").textContent).toBe("/jobs/job/boxes/b2/draw");
  });

  it("walks the hits with the arrows and says when there are none", async () => {
    answers.push({ match: /GET .*\/search/, body: [] });
    const person = userEvent.setup();
    at(<SearchBox job={job()} stage="draw" ref={null} />);

    await person.type(screen.getByRole("combobox"), "b-0");
    await person.keyboard("{ArrowDown}");
    expect(screen.getAllByRole("option").map((o) => o.getAttribute("aria-selected"))).toEqual([
      "false",
      "true",
    ]);
    await person.clear(screen.getByRole("combobox"));
    await person.type(screen.getByRole("combobox"), "cellar");
    expect(await screen.findByText("Nothing that is kept has this in it.")).toBeTruthy();
  });
});
