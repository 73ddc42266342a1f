import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/transport";
import { finding } from "../../testing";
import { SchemeChooser } from "./SchemeChooser";

const best = { verdict: "OK", moduleCode: "HV-1B" } as unknown as Schemas["CandidateView"];
const toll: Schemas["TollView"] = {
  modules: 1,
  connectors: 2,
  jumpers: 3,
  cappedCores: 1,
  boxes: ["B-10", "B-13"],
  minutes: 45,
  price: 23.9,
  alwaysReachable: true,
  switchesWork: true,
  cautions: ["The module sits where it gets warm."],
};
const offers: Schemas["OfferView"][] = [
  { scheme: "AT_LAMP_BLINK", label: "At the lamp", atLoad: false, best, toll, reasons: [] },
  {
    scheme: "SWITCH_UPSTREAM",
    label: "The wall switch feeds the module",
    atLoad: false,
    best,
    toll: { ...toll, boxes: ["B-13"], minutes: 30, alwaysReachable: false, switchesWork: false },
    reasons: [],
  },
  {
    scheme: "AT_JUNCTION",
    label: "In the junction box",
    atLoad: false,
    reasons: [finding({ reason: "No junction box is surveyed on this run." })],
  },
];

afterEach(cleanup);

describe("the chooser of schemes", () => {
  it("says what each takes and leaves, and chooses one", async () => {
    const choose = vi.fn();
    render(<SchemeChooser offers={offers} chosen={null} onChoose={choose} />);

    const row = screen.getByRole("button", { name: /At the lamp/ });
    expect(row.textContent).toContain("1 module · 2 boxes to open · 45\u2009min · always reachable");
    await userEvent.setup().click(row);
    expect(choose).toHaveBeenCalledWith("AT_LAMP_BLINK");
  });

  it("keeps those that do not apply, with the reason", () => {
    render(<SchemeChooser offers={offers} chosen={null} onChoose={() => {}} />);
    expect(screen.getByText("1 way that does not apply here, and why")).toBeTruthy();
    expect(screen.getByText("No junction box is surveyed on this run.")).toBeTruthy();
  });

  it("sets two side by side", async () => {
    render(<SchemeChooser offers={offers} chosen={null} onChoose={() => {}} />);
    const person = userEvent.setup();
    for (const box of screen.getAllByRole("checkbox", { name: "compare" })) {
      await person.click(box);
    }

    const table = screen.getByRole("table", { name: "two schemes side by side" });
    expect(within(table).getByRole("row", { name: "Boxes to open B-10, B-13 B-13" })).toBeTruthy();
    expect(
      within(table).getByRole("row", { name: "Stays reachable always not while off at the wall" }),
    ).toBeTruthy();
  });
});
