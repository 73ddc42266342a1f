import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { newSurvey, type Survey } from "./draft";
import { NotLookedAt } from "./NotLookedAt";

afterEach(cleanup);

const filled: Survey = {
  ...newSurvey("B-01", "c4"),
  geometry: { widthMm: 60, heightMm: 60, depthMm: 61, metal: false, asUsual: true },
  cables: [
    { name: "c1", leadsTo: "SUPPLY", circuit: "c4", mm2: 1.5, cores: [], asUsual: true },
    { name: "c2", leadsTo: "SUPPLY", circuit: "c4", mm2: 1.5, cores: [] },
  ],
};

describe("what was filled in as usual", () => {
  it("is named until somebody says that it is so", async () => {
    const person = userEvent.setup();
    const onChange = vi.fn();
    render(<NotLookedAt survey={filled} onChange={onChange} />);
    expect(screen.getByText(/cable c1 and the measures of the box\./)).toBeTruthy();
    await person.click(screen.getByRole("button", { name: "I looked at all of it: it is so" }));

    const seen = onChange.mock.calls[0]?.[0] as Survey;
    expect(seen.geometry.asUsual).toBeUndefined();
    expect(seen.cables.every((cable) => cable.asUsual === undefined)).toBe(true);
    render(<NotLookedAt survey={seen} onChange={onChange} />);
    expect(screen.getAllByRole("button")).toHaveLength(1);
  });
});
