import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Route, Routes } from "react-router";
import { afterEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { answers, asked, forget } from "../../testing/server";
import { PracticePage } from "./PracticePage";

type Wall = Schemas["PracticeView"];

function wall(change: Partial<Wall> = {}): Wall {
  return {
    id: "w1",
    level: "ONE_SWITCH",
    label: "One switch",
    seed: 7,
    deeds: 0,
    phase: "FIND_OUT",
    task: "Put a module in.",
    breakers: [{ circuit: "4", phase: "L1", on: true, locked: false }],
    testerProved: false,
    places: [
      {
        id: "A",
        label: "Box A",
        provedDead: false,
        switches: [{ id: "A", name: "Switch", mechanism: "one-way", position: 0 }],
        cables: [
          {
            name: "c1",
            cores: [
              {
                id: "A/c1.1",
                key: "c1.1",
                colour: "BROWN",
                letters: "BN",
                words: "brown of c1",
                at: "g1.COM",
                freed: false,
              },
              {
                id: "A/c1.2",
                key: "c1.2",
                colour: "BLUE",
                letters: "BU",
                words: "blue of c1",
                at: "j.1",
                freed: false,
              },
            ],
          },
        ],
        devices: [
          { name: "Switch", kind: "SWITCH", ends: [{ key: "g1.COM", label: "COM" }] },
          { name: "connectors", kind: "CONNECTORS", ends: [{ key: "j.1", label: "1" }] },
        ],
        wires: [],
      },
    ],
    lamps: ["Lamp 1"],
    log: [],
    tests: 0,
    unsafe: 0,
    roles: [
      { role: "PERMANENT_LIVE", label: "permanent live" },
      { role: "NEUTRAL", label: "neutral" },
    ],
    faults: [{ fault: "BORROWED_NEUTRAL", label: "Neutral of another circuit" }],
    schemes: [],
    modules: [],
    refusal: [],
    ...change,
  };
}

function show(state: Wall) {
  answers.push({ match: /GET .*practice\/w1/, body: state });
  return render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter initialEntries={["/practice/w1"]}>
        <Routes>
          <Route path="/practice/:run" element={<PracticePage />} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

const sent = () => asked.filter(({ method }) => method === "POST").map(({ body }) => body);

afterEach(() => {
  cleanup();
  forget();
});

describe("the practice wall", () => {
  it("puts the tool in hand to the core that is pressed, and counts deeds", async () => {
    answers.push({
      match: /POST .*deeds/,
      body: wall({ deeds: 1, log: [{ words: "Brown of c1: beeps", alarming: false }] }),
    });
    const person = userEvent.setup();
    show(wall());
    await person.click(await screen.findByRole("button", { name: /^pen/ }));
    await person.click(screen.getByRole("button", { name: "brown of c1" }));
    expect((await screen.findByRole("status")).textContent).toContain("Brown of c1: beeps");
    expect(sent()).toEqual([{ after: 0, deed: { kind: "PEN", on: "A/c1.1" } }]);
  });

  it("asks for the second core of a continuity test before it sends one", async () => {
    answers.push({ match: /POST .*deeds/, body: wall({ deeds: 1 }) });
    const person = userEvent.setup();
    show(wall());
    await person.click(await screen.findByRole("button", { name: /^continuity/ }));
    await person.click(screen.getByRole("button", { name: "brown of c1" }));
    expect(screen.getByText("Now the other core.")).toBeTruthy();
    expect(sent()).toEqual([]);
    await person.click(screen.getByRole("button", { name: "blue of c1" }));
    expect(sent()).toEqual([{ after: 0, deed: { kind: "TEST_CONTINUITY", on: "A/c1.1", to: "A/c1.2" } }]);
  });

  it("tells what was unsafe in plain sight, and what cannot be done", async () => {
    answers.push({
      match: /POST .*deeds/,
      status: 409,
      body: { title: "Breaker 4 is on. Switch it off first." },
    });
    const person = userEvent.setup();
    show(wall({ log: [{ words: "The brown of c1 was live.", alarming: true }], unsafe: 1 }));
    expect((await screen.findAllByText("The brown of c1 was live."))[0]?.className).toContain("text-error");
    await person.click(screen.getByRole("button", { name: "lock 4" }));
    expect(await screen.findByText(/Switch it off first/)).toBeTruthy();
  });

  it("lets names be stood by only when every core has one", async () => {
    show(wall());
    const stand = await screen.findByRole("button", { name: "stand by these names" });
    expect(stand.hasAttribute("disabled")).toBe(true);
    expect(screen.getByText("2 cores have no name yet.")).toBeTruthy();
  });

  it("shows the marks beside the clerk's way", async () => {
    const marks: Schemas["MarksView"] = {
      accepted: false,
      testsUsed: 3,
      testsNeeded: 1,
      unsafe: [{ kind: "TOUCHED_LIVE", after: 2, words: "The brown of c1 was live." }],
      namesRight: 1,
      names: 2,
      wrongNames: ["blue of c1 is neutral, not spare"],
      refusedChoices: 1,
      wiring: "HOLD",
      findings: [],
    };
    show(wall({ phase: "DONE", marks, way: { tests: [{ words: "Brown of c1 is live", left: 1 }] } }));
    expect(await screen.findByRole("heading", { name: "Not accepted" })).toBeTruthy();
    expect(screen.getByText("blue of c1 is neutral, not spare")).toBeTruthy();
    expect(screen.getByText(/the clerk needed 1/)).toBeTruthy();
    expect(screen.getByText(/one possibility left/)).toBeTruthy();
  });
});
