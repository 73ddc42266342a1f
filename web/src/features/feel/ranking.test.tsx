import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { Ranking } from "./Ranking";

afterEach(cleanup);

const advice = (behaviour: Schemas["AdviceView"]["behaviour"], costs: number[]): Schemas["AdviceView"] => ({
  behaviour,
  label: behaviour,
  cost: Math.max(...costs),
  costs,
  powerOn: "OFF",
  powerOnReason: "",
  parameters: [],
  played: [],
});

const show = (list: Schemas["AdviceView"][]) =>
  render(
    <Ranking
      input={{ key: "K1/in1", advice: list } as Schemas["FeelInputView"]}
      chosen="EVERY_FLIP"
      beside={[]}
      onChoose={() => {}}
      onBeside={() => {}}
    />,
  );

it("tells what each of two schools pays, and which is fairest", () => {
  show([advice("EVERY_FLIP", [12, 9]), advice("POSITION_RULES", [5, 20])]);
  expect(screen.getByText("12 and 9")).toBeTruthy();
  expect(screen.getByText("fairest")).toBeTruthy();
  expect(screen.queryByText("best")).toBeNull();
});

it("tells one cost of a household that wants one thing", () => {
  show([advice("EVERY_FLIP", [9])]);
  expect(screen.getByText("9")).toBeTruthy();
  expect(screen.getByText("best")).toBeTruthy();
});
