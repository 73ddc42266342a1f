import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { ParametersForm } from "./ParametersForm";

afterEach(cleanup);

const advice = (parameters: Schemas["AdviceView"]["parameters"]) =>
  ({
    behaviour: "RUN_ON",
    powerOn: "OFF",
    powerOnReason: "",
    parameters,
  }) as unknown as Schemas["AdviceView"];

const shown = (parameters: Schemas["AdviceView"]["parameters"]) =>
  render(
    <ParametersForm
      parameters={{ runOnMs: 300_000, debounceMs: 30, rest: "OPEN", powerOn: "OFF" } as never}
      powerOns={[{ code: "OFF", label: "off" }]}
      advice={advice(parameters)}
      onChange={() => {}}
    />,
  );

describe("what a behaviour can be set to", () => {
  it("is asked for where the clerk names it, in seconds where people count in them", () => {
    shown(["DEBOUNCE", "RUN_ON", "PRESS_STOPS"]);
    expect(screen.getByLabelText("Runs on for, s")).toHaveProperty("value", "300");
    expect(screen.getByLabelText("a second press stops it")).toBeTruthy();
    expect(screen.queryByLabelText("Long from, ms")).toBeNull();
    expect(screen.queryByLabelText("At rest the contact is")).toBeNull();
  });

  it("is nothing of a contact where none is read", () => {
    shown(["BLINK"]);
    expect(screen.queryByLabelText("Debounce, ms")).toBeNull();
    expect(screen.queryByLabelText("inverted")).toBeNull();
    expect(screen.getByLabelText("When the supply comes back")).toBeTruthy();
  });
});
