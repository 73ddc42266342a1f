import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { Stamp } from "../../ui/Stamp";
import { PlanPapers } from "./PlanPapers";
import { StateStrip } from "./StateStrip";
import type { Row } from "./states";
import { WiringDrawing } from "./WiringDrawing";
import { roundedPath, WIRE_INK } from "./wires";

const row = (position: number): Row => ({
  switches: { S1: position },
  channels: {},
  loads: { X1: { volts: position * 230, state: position ? "ON" : "OFF" } },
  modules: {},
  shorts: [],
  live: position ? ["g1.COM", "g1.L1"] : ["g1.COM"],
  after: { S1: { switches: { S1: 1 - position }, channels: {} } },
});

const wiring: Schemas["DrawnWiring"] = {
  rows: [row(0), row(1)],
  terminals: [
    {
      device: "Shelf lamps",
      terminal: "COM",
      holds: [{ key: "c1.1", colour: "BROWN", words: "brown of c1" }],
    },
    { device: "Shelf lamps", terminal: "L1", holds: [] },
  ],
  drawing: {
    width: 400,
    height: 300,
    box: { x: 100, y: 20, width: 200, height: 260 },
    devices: [
      {
        kind: "MECHANISM",
        partId: "S1",
        label: "Shelf lamps",
        detail: "one-way",
        frame: { x: 120, y: 40, width: 100, height: 66 },
        ports: [{ name: "COM", node: "g1.COM", x: 140, y: 106, width: 16 }],
      },
    ],
    cables: [{ name: "c1", label: "circuit 4", left: true, frame: { x: 30, y: 150, width: 26, height: 40 } }],
    wires: [
      {
        key: "c1.1",
        colour: "BROWN",
        letters: "BN",
        node: "g1.COM",
        words: "brown of c1, permanent live",
        tag: { x: 80, y: 160 },
        points: [
          { x: 56, y: 160 },
          { x: 140, y: 160 },
          { x: 140, y: 106 },
        ],
      },
      {
        key: "c2.1",
        colour: "BLACK",
        letters: "BK",
        node: "g1.L1",
        words: "black of c2, switched live",
        tag: { x: 320, y: 180 },
        points: [
          { x: 344, y: 180 },
          { x: 180, y: 180 },
          { x: 180, y: 106 },
        ],
      },
    ],
    loads: [{ partIds: ["X1"], label: "shelf", detail: "3x2 LED 7", x: 370, y: 180 }],
  },
};

afterEach(cleanup);

describe("the drawing", () => {
  it("carries letters on every conductor, so that colour is never the only carrier", () => {
    render(<WiringDrawing wiring={wiring} />);
    expect(screen.getByText("BN")).toBeTruthy();
    expect(screen.getByText("BK")).toBeTruthy();
    expect(screen.getByText("brown of c1, permanent live")).toBeTruthy();
  });

  it("is not energised until it is given a state", () => {
    const { container } = render(<WiringDrawing wiring={wiring} />);
    expect(container.querySelectorAll("[data-live='true']")).toHaveLength(0);
    expect(screen.queryByRole("button")).toBeNull();
  });

  it("shows what is live and lit in a state", () => {
    const { container, rerender } = render(<WiringDrawing wiring={wiring} at={{}} onOperate={() => {}} />);
    expect(container.querySelectorAll("[data-live='true']")).toHaveLength(1);
    expect(container.querySelector("[data-load='X1']")?.getAttribute("data-state")).toBe("off");

    rerender(<WiringDrawing wiring={wiring} at={{ S1: 1 }} onOperate={() => {}} />);
    expect(container.querySelectorAll("[data-live='true']")).toHaveLength(2);
    expect(container.querySelector("[data-load='X1']")?.getAttribute("data-state")).toBe("on");
  });

  it("is operated by pointer and by key", async () => {
    const operate = vi.fn();
    const person = userEvent.setup();
    render(<WiringDrawing wiring={wiring} at={{}} onOperate={operate} />);
    const rocker = screen.getByRole("button", { name: "operate Shelf lamps, now at 0" });

    await person.click(rocker);
    rocker.focus();
    await person.keyboard("{Enter} ");

    expect(operate.mock.calls).toEqual([["S1"], ["S1"], ["S1"]]);
  });

  it("has an ink for every colour of insulation", () => {
    expect(new Set(Object.values(WIRE_INK)).size).toBeGreaterThanOrEqual(11);
  });

  it("rounds corners without leaving its way", () => {
    expect(
      roundedPath(
        [
          { x: 0, y: 0 },
          { x: 10, y: 0 },
          { x: 10, y: 20 },
        ],
        4,
      ),
    ).toBe("M0 0L6 0Q10 0 10 4L10 20");
  });
});

describe("the state strip", () => {
  it("has a square for each state, says it in words and walks by arrow", async () => {
    const go = vi.fn();
    render(<StateStrip rows={wiring.rows} at={{}} onGo={go} findings={[]} />);

    expect(screen.getByText("state 1 of 2")).toBeTruthy();
    expect(screen.getByRole("button", { name: "state 2: S1 at 1, X1 on 230\u2009V" })).toBeTruthy();
    await userEvent.setup().keyboard("{ArrowRight}");
    expect(go).toHaveBeenCalledWith({ S1: 1 });
  });

  it("tells which supplies meet in a shorted state", () => {
    const shorted: Row = { ...row(1), loads: {}, shorts: [["F1", "N1"]] };
    render(<StateStrip rows={[row(0), shorted]} at={{ S1: 1 }} onGo={() => {}} findings={[]} />);
    expect(screen.getByText("F1 and N1 meet")).toBeTruthy();
  });
});

describe("the stamp", () => {
  it.each([
    ["OK", "PROVED"],
    ["HOLD", "HOLD"],
    ["STOP", "STOP"],
  ] as const)("says %s as %s", (verdict, word) => {
    render(<Stamp verdict={verdict} line="16 of 16 states" />);
    expect(screen.getByRole("status").textContent).toContain(word);
    expect(screen.getByRole("status").textContent).not.toMatch(/safe/i);
  });
});

describe("the papers of a plan", () => {
  it("say of every terminal what it holds, or to leave it free", () => {
    const plan = { moves: [], restore: [], parts: [] } as unknown as Schemas["PlanView"];
    render(<PlanPapers plan={plan} view="before" wiring={wiring} />);
    expect(screen.getAllByRole("row").map((r) => r.textContent)).toEqual([
      "WhereTerminalHolds",
      "Shelf lampsCOMbrown of c1",
      "Shelf lampsL1leave free",
    ]);
  });
});
