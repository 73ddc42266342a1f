import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { press, StepForm } from "./StepForm";

const step: Schemas["StepView"] = {
  id: "prove-tester",
  phase: "ISOLATE",
  phaseLabel: "Isolate",
  title: "Prove the tester on a known source",
  detail: "",
  gate: true,
  leavable: false,
  confirms: [{ id: "ready", text: "Two-pole tester at hand" }],
  readings: [{ id: "source", text: "known source", unit: "V", least: 195, most: 265 }],
  open: true,
  ticks: [],
  measured: [],
};

afterEach(cleanup);

describe("the step that is open", () => {
  it("can be recorded only when all is confirmed and measured", async () => {
    const person = userEvent.setup();
    const enter = vi.fn();
    render(<StepForm step={step} busy={false} onEnter={enter} onLive={() => {}} />);
    const record = screen.getByRole("button", { name: "record and go on" });
    expect(record).toHaveProperty("disabled", true);

    await person.click(screen.getByRole("checkbox", { name: "Two-pole tester at hand" }));
    expect(record).toHaveProperty("disabled", true);
    for (const key of ["2", "3", "1"]) {
      await person.click(screen.getByRole("button", { name: key }));
    }
    await person.click(record);

    expect(enter).toHaveBeenCalledWith(["ready"], { source: 231 }, "");
  });

  it("lets the hand say at any time that it reads live", async () => {
    const live = vi.fn();
    render(<StepForm step={step} busy={false} onEnter={() => {}} onLive={live} />);
    await userEvent.setup().click(screen.getByRole("button", { name: "It reads live" }));
    expect(live).toHaveBeenCalledWith("It reads live: known source");
  });
});

describe("the reading pad", () => {
  it.each([
    ["", "2", "2"],
    ["", ".", "0."],
    ["1.5", ".", "1.5"],
    ["12", "back", "1"],
    ["1234567", "8", "1234567"],
  ])("turns %j and %j into %j", (typed, key, after) => {
    expect(press(typed, key)).toBe(after);
  });
});
