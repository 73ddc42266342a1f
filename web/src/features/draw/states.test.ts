import { describe, expect, it } from "vitest";
import { operated, pictureOf, type Row, regionsOf, type Step } from "./states";

const row = (position: number, relay: number, lit: boolean): Row => ({
  switches: { S1: position },
  channels: { "K1/1": relay },
  loads: { X1: { volts: lit ? 230 : 0, state: lit ? "ON" : "OFF" } },
  modules: { K1: { powered: true, inputs: { "1": position === 1 } } },
  shorts: [],
  live: lit ? ["m1.O1"] : [],
  amps: {},
});
const rows = [row(0, 0, false), row(0, 1, true), row(1, 0, false), row(1, 1, true)];

const steps: Step[] = [
  { positions: { S1: 0, "K1/1": 0 }, after: { S1: { S1: 1, "K1/1": 1 } } },
  { positions: { S1: 1, "K1/1": 1 }, after: { S1: { S1: 0, "K1/1": 0 } } },
];

describe("a drawing that is operated", () => {
  it("follows the state the server names after an operation", () => {
    expect(operated(steps, {}, "S1")).toEqual({ S1: 1, "K1/1": 1 });
  });

  it("stays where it is when nothing is known of the operation", () => {
    expect(operated(steps, { S1: 1 }, "S9")).toEqual({ S1: 1 });
  });

  it("shows what is lit, live and asserted", () => {
    const picture = pictureOf(rows, { S1: 1, "K1/1": 1 });
    expect([...picture.lit]).toEqual(["X1"]);
    expect([...picture.live]).toEqual(["m1.O1"]);
    expect([...picture.asserted]).toEqual(["K1.1"]);
  });

  it("keeps regions apart", () => {
    const other = { ...row(0, 0, false), switches: { S2: 0 }, channels: {} };
    expect(regionsOf([...rows, other])).toHaveLength(2);
  });
});
