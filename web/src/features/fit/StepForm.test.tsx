import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/transport";
import { press, StepForm } from "./StepForm";
import { labelsOf, nearestFirst } from "./work";

const step: Schemas["StepView"] = {
  id: "prove-tester",
  phase: "ISOLATE",
  phaseLabel: "Isolate",
  title: "Prove the tester on a known source",
  detail: "",
  gate: true,
  leavable: false,
  box: "",
  confirms: [{ id: "ready", text: "Two-pole tester at hand", box: "" }],
  readings: [{ id: "source", text: "known source", unit: "V", least: 195, most: 265, box: "" }],
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

describe("a step of a work over several boxes", () => {
  const two: Schemas["StepView"] = {
    ...step,
    confirms: [
      { id: "there", text: "B-07: closed", box: "b7" },
      { id: "here", text: "B-04: closed", box: "b4" },
    ],
    readings: [
      { id: "far", text: "B-07: brown to earth", unit: "V", least: 0, most: 10, box: "b7" },
      { id: "near", text: "B-04: brown to earth", unit: "V", least: 0, most: 10, box: "b4" },
    ],
  };

  it("asks first for what is where somebody stands, and tells what is read at once", async () => {
    const person = userEvent.setup();
    const measure = vi.fn();
    render(
      <StepForm
        step={nearestFirst(two, "b4")}
        here="b4"
        labels={{ b4: "B-04", b7: "B-07" }}
        busy={false}
        onEnter={() => {}}
        onLive={() => {}}
        onMeasure={measure}
      />,
    );
    expect(screen.getAllByRole("checkbox").map((box) => box.closest("label")?.textContent)).toEqual([
      "B-04: closed",
      "B-07: closed",
    ]);
    expect(screen.getAllByText("at B-07")).toHaveLength(2);
    expect(screen.queryByText("at B-04")).toBeNull();

    await person.click(screen.getByRole("button", { name: "0" }));
    await person.click(screen.getByRole("button", { name: "Next reading" }));
    expect(measure).toHaveBeenCalledExactlyOnceWith("near", 0);
  });

  it("names the boxes of a work", () => {
    const job = {
      boxes: [
        { id: "b4", label: "B-04" },
        { id: "b7", label: "B-07" },
      ],
    } as Schemas["JobView"];
    expect(labelsOf(job, ["b4", "b7"])).toBe("B-04 and B-07");
    expect(labelsOf(job, ["b7"])).toBe("B-07");
    expect(labelsOf(job, [])).toBe("");
  });
});
