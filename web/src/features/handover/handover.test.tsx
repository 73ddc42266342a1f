import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/transport";
import { RecordGrid } from "./RecordGrid";
import { TestLine } from "./TestLine";

afterEach(cleanup);

const test = (more: Partial<Schemas["TestView"]> = {}): Schemas["TestView"] => ({
  id: "WALL_SWITCH b/K1/1 b/S1",
  kind: "WALL_SWITCH",
  label: "wall switch",
  words: "Work the loft switch.",
  expected: "The lamp goes on and off.",
  standing: "OPEN",
  changed: [],
  ...more,
});

const line = (view: Schemas["TestView"]) => {
  const found = vi.fn();
  render(
    <ul>
      <TestLine test={view} open busy={false} onOpen={vi.fn()} onFound={found} />
    </ul>,
  );
  return found;
};

describe("a test of the hand over", () => {
  it("takes a failure only with what was seen", () => {
    const found = line(test());
    const not = screen.getByRole("button", { name: "not as planned" }) as HTMLButtonElement;
    expect(not.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText("Seen otherwise"), { target: { value: "stays dark" } });
    fireEvent.click(not);
    expect(found).toHaveBeenCalledWith(expect.objectContaining({ asPlanned: false, note: "stays dark" }));
  });

  it("asks for the cause where the last outcome was a failure", () => {
    line(
      test({
        standing: "FAILED",
        last: { passed: false, note: "stays dark", cause: "", who: "me", at: "2026-11-26T07:00:00Z" },
      }),
    );
    expect(screen.getByLabelText("What had been the cause")).toBeTruthy();
  });

  it("reads a figure with a comma and sends it with its test", () => {
    const found = line(test({ unit: "ms" }));
    fireEvent.change(screen.getByLabelText("Read, ms"), { target: { value: "410,5" } });
    fireEvent.click(screen.getByRole("button", { name: "write down" }));
    expect(found).toHaveBeenCalledWith(expect.objectContaining({ figure: 410.5 }));
  });
});

describe("the record at a glance", () => {
  it("shows the gravest of several tests of a kind and how many passed", () => {
    const record: Schemas["HandoverView"] = {
      boxes: [
        {
          box: "b",
          label: "B-01",
          room: "Loft",
          count: { open: 0, passed: 1, failed: 1, again: 0 },
          outputs: [
            {
              output: "b/K1/1",
              name: "lamp",
              tests: [test({ standing: "PASSED" }), test({ id: "2", standing: "FAILED" })],
            },
          ],
        },
      ],
      count: { open: 0, passed: 1, failed: 1, again: 0 },
      blocks: [],
      defects: [],
      given: [],
    };
    render(
      <MemoryRouter>
        <RecordGrid job="j" record={record} />
      </MemoryRouter>,
    );
    expect(screen.getByRole("img", { name: "stop" })).toBeTruthy();
    expect(screen.getByText("1/2")).toBeTruthy();
  });
});
