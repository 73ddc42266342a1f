import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/transport";
import { ReachGrid } from "./ReachGrid";
import { Sentence } from "./Sentence";
import { StoryCard } from "./StoryCard";

afterEach(cleanup);

const PIECES: Schemas["PieceView"][] = [
  { words: "When " },
  { words: "fan", pointer: "/deeds/0/action/output", kind: "OUTPUT", unit: "", value: '"o1"' },
  { words: " runs for " },
  { words: "600", pointer: "/deeds/0/action/seconds", kind: "SECONDS", unit: "s", value: "600" },
  { words: ", except " },
  { words: "none", pointer: "/deeds/1/action/except", kind: "OUTPUTS", unit: "", value: "[]" },
];
const CHOICES = {
  OUTPUT: [
    { code: "o1", label: "fan" },
    { code: "o2", label: "lamp" },
  ],
  OUTPUTS: [
    { code: "o1", label: "fan" },
    { code: "o2", label: "lamp" },
  ],
};

describe("a sentence", () => {
  const shown = () => {
    const onFill = vi.fn();
    render(<Sentence pieces={PIECES} choices={CHOICES} busy={false} onFill={onFill} />);
    return onFill;
  };

  it("fills a slot with another thing of the house", () => {
    const onFill = shown();
    fireEvent.click(screen.getByRole("button", { name: "fan" }));
    fireEvent.change(screen.getByLabelText("instead of fan"), { target: { value: "o2" } });
    expect(onFill).toHaveBeenCalledWith("/deeds/0/action/output", "o2");
  });

  it("fills a figure as a number, and not when nothing changed", () => {
    const onFill = shown();
    fireEvent.click(screen.getByRole("button", { name: "600 s" }));
    fireEvent.click(screen.getByRole("button", { name: "set" }));
    expect(onFill).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole("button", { name: "600 s" }));
    fireEvent.change(screen.getByLabelText("instead of 600"), { target: { value: "900" } });
    fireEvent.click(screen.getByRole("button", { name: "set" }));
    expect(onFill).toHaveBeenCalledWith("/deeds/0/action/seconds", 900);
  });

  it("fills a list by ticks", () => {
    const onFill = shown();
    fireEvent.click(screen.getByRole("button", { name: "none" }));
    fireEvent.click(screen.getByLabelText("lamp"));
    fireEvent.click(screen.getByRole("button", { name: "set" }));
    expect(onFill).toHaveBeenCalledWith("/deeds/1/action/except", ["o2"]);
  });
});

describe("the reach", () => {
  const reach: Schemas["ReachGridView"] = {
    columns: ["no hub", "no Wi-Fi", "no hub, no Wi-Fi"],
    rows: [
      {
        control: "stair switch",
        output: "stair lamp",
        by: "by local group",
        delayMs: 60,
        takes: ["Wi-Fi"],
        down: [
          { state: "WORKS", delayMs: 60, by: "by local group" },
          { state: "SLOWER", delayMs: 170, by: "by the hub" },
          { state: "LOST" },
        ],
      },
    ],
  };

  it("shows single parts first, and pairs when asked", () => {
    render(<ReachGrid reach={reach} />);
    const table = screen.getByRole("table");
    expect(within(table).queryByText("no hub, no Wi-Fi")).toBeNull();
    expect(within(table).getByText("170 ms")).toBeTruthy();
    fireEvent.click(screen.getByLabelText("pairs of parts too"));
    expect(within(table).getByText("lost")).toBeTruthy();
  });
});

describe("a story", () => {
  it("is told step by step, with what mends it", () => {
    const onFix = vi.fn();
    const found = {
      finding: { title: "Each changes the other over", reason: "They do.", code: "TOGGLES_AT_BOTH_ENDS" },
      story: [
        { atMs: 0, words: "loft switch is flipped" },
        { atMs: 340, words: "and so on, without end" },
      ],
      rules: ["a", "b"],
      fixes: [{ kind: "BY_HAND_ONLY", words: "react to hands only", subjects: ["a", "b"] }],
    } as unknown as Schemas["RuleFindingView"];
    render(<StoryCard found={found} busy={false} onFix={onFix} />);
    expect(screen.getByText("0.3 s")).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "react to hands only" }));
    expect(onFix).toHaveBeenCalledWith(found.fixes[0]);
  });
});
