import { expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { latestSheet } from "./api";
import { type Letter, withLetters } from "./outbox";

const step = (id: string, gate: boolean, open: boolean): Schemas["StepView"] => ({
  id,
  phase: "WIRE",
  phaseLabel: "Wire",
  title: id,
  detail: "",
  gate,
  leavable: false,
  box: "",
  confirms: [],
  readings: [],
  open,
  ticks: [],
  measured: [],
});

const sheet = {
  version: 1,
  box: "b",
  opens: ["b"],
  startedBy: "A. Mead",
  startedAt: "2026-11-25T10:00:00Z",
  setAside: false,
  finished: false,
  done: 0,
  current: "move-1",
  isolation: "PROVED_DEAD",
  locks: [],
  refusals: [],
  steps: [step("move-1", false, true), step("move-2", false, true), step("check", true, false)],
} satisfies Schemas["RunSheetView"];

const entered = (stepId: string): Letter => ({
  key: stepId,
  deed: { do: "enter", stepId, confirmed: [], readings: {}, note: "" },
});

it("shows a step that waits for the network as done, and a gate never", () => {
  const shown = withLetters(sheet, [entered("move-1"), entered("move-2"), entered("check")]);
  expect(shown.steps.map((s) => Boolean(s.done))).toEqual([true, true, false]);
  expect(shown.current).toBe("check");
});

it("does not show what the server refused", () => {
  const shown = withLetters(sheet, [{ ...entered("move-1"), refused: "no" }]);
  expect(shown.current).toBe("move-1");
});

it("keeps the later of two answers, whichever arrives first", () => {
  expect(latestSheet("b", { ...sheet, version: 5 })?.version).toBe(5);
  expect(latestSheet("b", { ...sheet, version: 4 })?.version).toBe(5);
  expect(latestSheet("b", { ...sheet, version: 0, startedAt: "2026-11-26T10:00:00Z" })?.version).toBe(0);
  expect(latestSheet("b", null)).toBeUndefined();
});
