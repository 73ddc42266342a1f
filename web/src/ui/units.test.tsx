import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, describe, expect, it } from "vitest";
import { LengthField } from "./LengthField";
import { AWG, readLength, setUnits, showLength } from "./units";

afterEach(() => {
  cleanup();
  localStorage.clear();
});

function Field() {
  const [mm, setMm] = useState(61);
  return (
    <>
      <LengthField label="Depth" mm={mm} least={5} region="EU_230" onChange={setMm} />
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

  it("know the American sizes of conductors", () => {
    // ASTM B258: 14 AWG is 2.08 mm², 12 AWG 3.31 mm².
    expect(AWG.find((size) => size.awg === 14)?.mm2).toBe(2.08);
    expect(AWG.find((size) => size.awg === 12)?.mm2).toBe(3.31);
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
