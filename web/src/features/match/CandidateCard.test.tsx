import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/transport";
import { finding } from "../../testing";
import { MarginBar } from "../../ui/MarginBar";
import { CandidateCard } from "./CandidateCard";

const candidate = (change: Partial<Schemas["CandidateView"]> = {}): Schemas["CandidateView"] => ({
  moduleCode: "SK-2",
  maker: "Skeinworks",
  name: "two channels with neutral",
  protocol: "MQTT over Wi-Fi",
  scheme: "BEHIND_SWITCH_N",
  schemeLabel: "Behind the switch, with neutral",
  gangs: [1, 2],
  loads: [],
  behaviours: { "1": "EVERY_FLIP", "2": "EVERY_FLIP" },
  price: 23.9,
  worksWithoutInternet: true,
  verdict: "OK",
  findings: [],
  margins: [{ what: "depth", found: 43, allowed: 61, unit: "mm", level: "AMPLE" }],
  ...change,
});

afterEach(cleanup);

describe("a module card", () => {
  it("has its rank, margins with figures, and can be picked", async () => {
    const pick = vi.fn();
    render(<CandidateCard candidate={candidate()} rank={1} picked={false} busy={false} onPick={pick} />);

    expect(screen.getByText("1")).toBeTruthy();
    expect(screen.getByText("All checks pass.")).toBeTruthy();
    expect(screen.getByText(/43 of 61\smm/)).toBeTruthy();
    await userEvent.setup().click(screen.getByRole("button", { name: "pick SK-2" }));
    expect(pick).toHaveBeenCalledOnce();
  });

  it("gives all reasons, and the mark instead of a rank, when it does not fit", () => {
    const reasons = [
      finding(),
      finding({ code: "BOX_TOO_SHALLOW", severity: "HOLD", subject: "B-01", reason: "2 mm too little." }),
    ];
    render(
      <CandidateCard
        candidate={candidate({ verdict: "STOP", findings: reasons })}
        picked={false}
        busy={false}
        onPick={() => {}}
      />,
    );

    expect(screen.getByText(/over by 138 W/)).toBeTruthy();
    expect(screen.getByText("2 mm too little.")).toBeTruthy();
    expect(screen.getAllByRole("img", { name: "stop" })).toHaveLength(2);
    expect(screen.getByRole("img", { name: "hold" })).toBeTruthy();
  });

  it.each([
    ["is picked already", {}, true],
    ["has too few channels", { findings: [finding({ code: "TOO_FEW_CHANNELS", severity: "HOLD" })] }, false],
  ])("cannot be picked when it %s", (_, change, picked) => {
    render(<CandidateCard candidate={candidate(change)} picked={picked} busy={false} onPick={() => {}} />);
    expect(screen.getByRole("button").hasAttribute("disabled")).toBe(true);
  });
});

describe("a margin bar", () => {
  it.each([
    ["AMPLE", "bg-success", 10, "10%"],
    ["CLOSE", "bg-warning", 90, "90%"],
    ["OVER", "bg-error", 288, "100%"],
  ] as const)("shows %s in its own colour and never runs out of its frame", (level, colour, found, width) => {
    const { container } = render(
      <MarginBar margin={{ what: "LED lamp", found, allowed: 100, unit: "W", level }} />,
    );

    const bar = container.querySelector(`.${colour}`);
    expect((bar as HTMLElement).style.width).toBe(width);
    expect(screen.getByText(new RegExp(`${found} of 100\\sW`))).toBeTruthy();
  });
});
