import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { finding, job } from "../../testing";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { JoinSheet } from "./JoinSheet";

afterEach(() => {
  cleanup();
  forget();
});

const device = (more: Partial<Schemas["DeviceView"]>): Schemas["DeviceView"] => ({
  id: "d1",
  address: "A1",
  kind: "TG-1N",
  name: "hall-lamp",
  firmware: "1.4.0",
  hops: 0,
  passesOn: true,
  silent: false,
  setUp: false,
  channels: 1,
  candidates: [],
  differences: [],
  ...more,
});

const waiting = (unit: string, place: string): Schemas["WaitingModuleView"] => ({
  unit,
  place,
  kind: "TG-1N",
  serial: `S-${unit}`,
  hasCode: true,
  guide: { steps: ["Bring its supply on."], shows: "two blinks", whenNot: ["Move it nearer."] },
});

const network = (more: Partial<Schemas["NetworkView"]>): Schemas["NetworkView"] => ({
  protocol: "ZIGBEE",
  label: "Zigbee",
  least: 1,
  usual: 180,
  most: 254,
  source: "the standard of the network",
  devices: [],
  waiting: [],
  conflicts: [],
  together: 0,
  finished: false,
  ...more,
});

const view = (
  networks: Schemas["NetworkView"][],
  more: Partial<Schemas["JoinView"]> = {},
): Schemas["JoinView"] => ({
  connected: true,
  now: new Date().toISOString(),
  networks,
  links: [],
  runs: [],
  findings: [],
  ...more,
});

const told = (part: string) =>
  asked.filter((request) => request.method !== "GET" && request.url.includes(part));

describe("the networks of a house", () => {
  it("tell apart by what is seen, and only among places that it may be", async () => {
    const unknown = device({ candidates: ["u1"], reservation: "HOLD" });
    answers.push(
      {
        match: /POST .*devices\/d1\/switch$/,
        body: view([network({ devices: [unknown], waiting: [waiting("u1", "Hall, B-01")] })]),
      },
      {
        match: /POST .*devices\/d1\/seen$/,
        body: view([network({ devices: [device({ unit: "u1", place: "Hall, B-01" })], finished: true })]),
      },
      {
        match: /GET .*join$/,
        body: view([
          network({
            devices: [unknown],
            waiting: [waiting("u1", "Hall, B-01"), waiting("u2", "Stair, B-02")],
          }),
        ]),
      },
    );
    const hand = userEvent.setup();
    show(<JoinSheet job={job()} />);
    const card = within(await screen.findByRole("article", { name: "unknown A1" }));
    expect(card.getByText("Hall, B-01")).toBeTruthy();
    expect(card.queryByText("Stair, B-02"), "the other place is ruled out").toBeNull();
    await hand.click(card.getByRole("button", { name: "switch it on" }));
    await waitFor(() => expect(told("/switch")[0]?.body).toEqual({ channel: 1, on: true }));
    await hand.click(screen.getByRole("button", { name: "it changed here" }));
    await waitFor(() => expect(told("/seen")[0]?.body).toEqual({ unit: "u1", there: true }));
    await screen.findByText("every device is known for what it is");
  });

  it("say what contradicts itself, what is silent and what a device kept otherwise", async () => {
    answers.push({
      match: /GET .*join$/,
      body: view(
        [
          network({
            conflicts: ["At Hall, B-01 two devices were seen: A1 and A2."],
            devices: [
              device({
                unit: "u1",
                place: "Hall, B-01",
                silent: true,
                setUp: true,
                differences: [{ key: "power-on", written: "last", read: "off" }],
                closed: { figure: -82, unit: "dBm", grade: "POOR", words: "poor" },
              }),
            ],
          }),
        ],
        { findings: [finding({ title: "It does not answer" })] },
      ),
    });
    show(<JoinSheet job={job()} />);
    await screen.findByText(/two devices were seen/);
    expect(screen.getByText("silent")).toBeTruthy();
    expect(screen.getByText("power-on: written last, reads off")).toBeTruthy();
    expect(screen.getByRole("button", { name: "cover on: -82 dBm, poor" })).toBeTruthy();
    expect(screen.getAllByText("It does not answer").length).toBeGreaterThan(0);
  });

  it("open for the usual time, extend while they are open, and close", async () => {
    const open = network({ closesAt: new Date(Date.now() + 60_000).toISOString() });
    answers.push(
      { match: /POST .*join\/window$/, body: view([open]) },
      { match: /POST .*join\/close$/, body: view([network({})]) },
      { match: /GET .*join$/, body: view([network({ together: 3 })]) },
    );
    const hand = userEvent.setup();
    show(<JoinSheet job={job()} />);
    expect(await screen.findByRole("button", { name: "let 3 in by their codes" })).toBeTruthy();
    await hand.click(screen.getByRole("button", { name: "open for 180 s" }));
    await waitFor(() => expect(told("/window")[0]?.body).toEqual({ protocol: "ZIGBEE", seconds: 180 }));
    expect((await screen.findByRole("timer")).textContent).toMatch(/^open, [01]:\d\d left$/);
    await hand.click(screen.getByRole("button", { name: "extend to 254 s" }));
    await waitFor(() => expect(told("/window")[1]?.body).toEqual({ protocol: "ZIGBEE", seconds: 254 }));
    await hand.click(screen.getByRole("button", { name: "close it" }));
    await screen.findByText("closed");
  });

  it("show of a box its own modules, and the links that its wiring needs", async () => {
    answers.push({
      match: /GET .*join$/,
      body: view(
        [
          network({
            waiting: [
              { ...waiting("u1", "Pantry, B-01"), box: "b1" },
              { ...waiting("u2", "Attic, B-02"), box: "b2" },
            ],
          }),
        ],
        {
          links: [
            {
              id: "l1",
              box: "b1",
              from: "B-01",
              to: "B-02",
              way: "a direct binding",
              reason: "both can",
              state: "WAITS",
            },
            {
              id: "l2",
              box: "b2",
              from: "B-02",
              to: "B-01",
              way: "the hub",
              reason: "no other way",
              state: "HUB",
            },
          ],
        },
      ),
    });
    show(<JoinSheet job={job()} box="b1" />);
    await screen.findByText("Pantry, B-01");
    expect(screen.queryByText("Attic, B-02")).toBeNull();
    expect(screen.getByText("1 of 1 not there yet")).toBeTruthy();
    expect(screen.getByText(/a direct binding, because both can/)).toBeTruthy();
  });

  it("say that none is connected, and offer no door", async () => {
    answers.push({ match: /GET .*join$/, body: view([network({})], { connected: false }) });
    show(<JoinSheet job={job()} />);
    await screen.findByText(/No network of this house is connected/);
    expect(screen.queryByRole("button", { name: /open for/ })).toBeNull();
  });
});
