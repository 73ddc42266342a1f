import { describe, expect, it } from "vitest";
import { axis, handLevels, lampLevels, NOTHING, relayLevels, request, withAct } from "./sequence";

const answer = (trace: { atMs: number; relay: "ON" | "OFF"; cause: "HAND" }[]) => ({
  trace,
  reports: [],
  end: {},
  cost: { handAfterRemote: 1, remoteAfterHand: 0 },
});

describe("a sequence of one's own hands", () => {
  it("turns a rocker over and presses a push button with its release", () => {
    const flipped = withAct(withAct(NOTHING, "hand", "ROCKER", "OPEN"), "hand", "ROCKER", "OPEN");
    expect(flipped.events.map((e) => e.deed)).toEqual(["CLOSE", "OPEN"]);
    const pressed = withAct(NOTHING, "hand", "PUSH", "CLOSED");
    expect(pressed.events.map((e) => e.deed)).toEqual(["OPEN", "CLOSE"]);
    expect(pressed.untilMs).toBeGreaterThan(pressed.events[1]?.atMs ?? 0);
  });

  it("breaks the supply where the switch sits in its way", () => {
    const flipped = withAct(NOTHING, "hand", "SUPPLY", "OPEN");
    expect(flipped.events.map((e) => e.deed)).toEqual(["SUPPLY_LOST", "SUPPLY_BACK"]);
  });

  it("keeps the deeds in the order of time", () => {
    let sequence = NOTHING;
    for (const act of ["hand", "off", "cut", "wait", "on"] as const) {
      sequence = withAct(sequence, act, "ROCKER", "OPEN");
    }
    const times = sequence.events.map((e) => e.atMs);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    expect(request("EVERY_FLIP", {} as never, sequence).events).toHaveLength(5);
  });
});

describe("lanes", () => {
  const cut = withAct(withAct(NOTHING, "hand", "ROCKER", "OPEN"), "cut", "ROCKER", "OPEN");

  it("show the hand away from rest as high", () => {
    expect(handLevels(cut, 1, "OPEN").map((l) => l.level)).toEqual([0, 1]);
    expect(handLevels(cut, 1, "CLOSED").map((l) => l.level)).toEqual([0, 0]);
  });

  it("show the lamp dark while the supply is away, though the relay still holds", () => {
    const relay = relayLevels(answer([{ atMs: 1030, relay: "ON", cause: "HAND" }]));
    expect(lampLevels(relay, cut).map((l) => l.level)).toEqual([0, 1, 0, 1]);
  });

  it("draw a long wait short, and never backwards", () => {
    const place = axis(cut);
    expect(place(0)).toBe(0);
    expect(place(cut.untilMs)).toBeCloseTo(1);
    const there = cut.events.map((e) => place(e.atMs));
    expect(there).toEqual([...there].sort((a, b) => a - b));
    const [, lost = 0, back = 0] = there;
    expect(back - lost).toBeLessThan(0.8);
  });
});
