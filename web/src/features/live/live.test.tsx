import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/transport";
import { CheckResult } from "./CheckResult";
import { HousePlan } from "./HousePlan";
import { Messages } from "./Messages";
import { LampMark, SwitchMark } from "./marks";
import type { LiveNow } from "./useLive";

afterEach(cleanup);

const now = (more: Partial<LiveNow> = {}): LiveNow => ({
  atMs: 61_000,
  clock: "2026-11-26T07:00:00",
  lamps: { l1: { state: "ON", percent: 40 }, l2: { state: "DIM", percent: 0 } },
  operated: ["s1"],
  outputs: { o1: { percent: 40, motion: "STOP" } },
  powered: [],
  down: [],
  slow: 1,
  polling: false,
  dark: false,
  somebodyHome: true,
  sensors: {},
  agrees: true,
  connected: true,
  ...more,
});

const storeys: Schemas["LiveStoreyView"][] = [
  {
    name: "Ground floor",
    rooms: [
      {
        id: "r1",
        name: "Hall",
        placed: { x: 0, y: 0, width: 4, depth: 3 },
        switches: [{ id: "s1", name: "hall lamp", doing: "FLIP" }],
        lamps: [
          { id: "l1", name: "lamp", drives: "LIGHT", output: "o1" },
          { id: "l2", name: "old lamp", drives: "LIGHT" },
        ],
      },
      { id: "r2", name: "Attic", switches: [], lamps: [] },
    ],
  },
];

describe("the live house", () => {
  it("flips a switch by a press on its plate, and orders a lamp by a press on it", () => {
    const does = vi.fn();
    render(<HousePlan storeys={storeys} now={now()} does={does} />);
    const plate = screen.getByRole("button", { name: "flip hall lamp" });
    expect(plate.getAttribute("aria-pressed")).toBe("true");
    fireEvent.click(plate);
    expect(does).toHaveBeenLastCalledWith({ kind: "HAND", at: "s1", doing: "FLIP" });
    fireEvent.click(screen.getByRole("button", { name: "lamp: 40 %, switch by remote" }));
    expect(does).toHaveBeenLastCalledWith({ kind: "ORDER", at: "o1", percent: 0 });
    expect(screen.getByRole("img", { name: "old lamp: glows" })).toBeTruthy();
    expect(screen.queryByText("Attic")).toBeNull();
  });

  it("holds a push with Shift", () => {
    const onHand = vi.fn();
    render(<SwitchMark name="bell" doing="PRESS" up={false} onHand={onHand} />);
    fireEvent.click(screen.getByRole("button", { name: "press bell" }));
    fireEvent.click(screen.getByRole("button", { name: "press bell" }), { shiftKey: true });
    expect(onHand.mock.calls).toEqual([["PRESS"], ["HOLD"]]);
  });

  it("says of a blind which way it goes", () => {
    render(<LampMark name="blind" light={false} now={{ state: "ON", percent: 100 }} moves="DOWN" />);
    expect(screen.getByRole("img", { name: "blind: goes down" })).toBeTruthy();
  });

  it("tells messages with their delay and what is lost", () => {
    render(
      <Messages
        now={now()}
        events={[
          { id: 2, atMs: 60_500, kind: "LOST", words: "lamp is on: lost, it is cut off", delayMs: 0 },
          { id: 1, atMs: 1_000, kind: "MESSAGE", words: "Hub hears: lamp is on", delayMs: 43 },
        ]}
      />,
    );
    expect(screen.getByText("0.5 s")).toBeTruthy();
    expect(screen.getByText("1 min")).toBeTruthy();
    expect(screen.getByText("43 ms")).toBeTruthy();
    expect(screen.getByText(/cut off/).closest("li")?.className).toContain("text-error");
  });

  it("opens the story of a check that failed", () => {
    render(
      <CheckResult
        result={{
          passed: false,
          thens: [{ words: "lamp is on within 500 ms", met: false }],
          story: [{ atMs: 30, words: "lamp is off" }],
        }}
      />,
    );
    expect(screen.getByText(/It is not so/)).toBeTruthy();
    expect(screen.getByText(/: never/)).toBeTruthy();
    expect(screen.getByText("what happened").closest("details")?.open).toBe(true);
  });
});
