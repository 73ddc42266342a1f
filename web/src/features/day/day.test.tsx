import { cleanup, render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, expect, it } from "vitest";
import { clock, DayChart } from "./DayChart";
import { openingsInWords } from "./DaySheet";

afterEach(cleanup);

it("writes minutes of a day as a clock does", () => {
  expect([clock(0), clock(485), clock(1439)]).toEqual(["00:00", "08:05", "23:59"]);
});

it("lists who does what when, with the circuit that is off", () => {
  render(
    <MemoryRouter>
      <DayChart
        job="j"
        day={{
          date: "2026-12-01",
          visits: [
            {
              kind: "ISOLATE",
              words: "Isolate circuit 4",
              circuits: ["4"],
              person: "A. Mead",
              from: 480,
              to: 490,
            },
            {
              kind: "WIRE",
              box: "b",
              words: "Hall, A",
              circuits: ["4"],
              person: "A. Mead",
              from: 490,
              to: 520,
            },
          ],
          openings: [{ circuits: ["4"], from: 480, to: 525, boxes: ["Hall, A"] }],
          notes: [],
          optimal: true,
        }}
      />
    </MemoryRouter>,
  );
  expect(screen.getByRole("link", { name: "Hall, A" }).getAttribute("href")).toBe("/jobs/j/boxes/b/fit");
  expect(screen.getByText("08:10–08:40")).toBeDefined();
  expect(screen.getByText("A. Mead, circuit 4 off")).toBeDefined();
});

it("says so when nothing fits", () => {
  render(
    <MemoryRouter>
      <DayChart job="j" day={{ date: "2026-12-01", visits: [], openings: [], notes: [], optimal: true }} />
    </MemoryRouter>,
  );
  expect(screen.getByText(/nothing fits/)).toBeDefined();
});

it("tells how often circuits go off, beside what no plan goes below", () => {
  expect(
    openingsInWords([
      { circuit: "1", openings: 1, fewest: 1 },
      { circuit: "4", openings: 2, fewest: 2 },
      { circuit: "5", openings: 3, fewest: 2 },
    ]),
  ).toBe(
    "Off once: circuit 1. Circuit 4 goes off 2 times; fewer is not possible. Circuit 5 goes off 3 times; no plan does it with fewer than 2.",
  );
});
