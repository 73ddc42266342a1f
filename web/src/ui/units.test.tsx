import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, describe, expect, it } from "vitest";
import { LengthField } from "./LengthField";
import { readLength, setUnits, showLength } from "./units";

afterEach(() => {
  cleanup();
  localStorage.clear();
});

function Field() {
  const [mm, setMm] = useState(61);
  return (
    <>
      <LengthField label="Depth" mm={mm} least={5} job={{ lengths: "MILLIMETRE" }} onChange={setMm} />
      <output>{mm}</output>
    </>
  );
}

describe("lengths", () => {
  it("are read in inches with fractions, and kept in millimetres", () => {
    // 1 in = 25.4 mm exactly.
    expect(readLength("2-1/8", "us")).toBe(53.98);
    expect(readLength("2 1/8", "us")).toBe(53.98);
    expect(readLength("1/2", "us")).toBe(12.7);
    expect(readLength("61,5", "metric")).toBe(61.5);
    expect(readLength("deep", "metric")).toBeNull();
    expect(showLength(50.8, "us")).toBe("2");
  });

  it("can be typed in the units that the person chose", async () => {
    const person = userEvent.setup();
    render(<Field />);
    const field = screen.getByLabelText("Depth, mm");
    await person.clear(field);
    await person.type(field, "46.5");
    expect(screen.getByRole("status").textContent).toBe("46.5");
    cleanup();
    setUnits("us");
    render(<Field />);
    await person.clear(screen.getByLabelText("Depth, in"));
    await person.type(screen.getByLabelText("Depth, in"), "1 1/2");
    expect(screen.getByRole("status").textContent).toBe("38.1");
  });
});
