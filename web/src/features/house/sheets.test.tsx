import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { job } from "../../testing";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { HouseMatchSheet } from "./HouseMatchSheet";
import { inHours, Quote } from "./CostPart";
import { PickListSheet } from "./PickListSheet";
import { RoomsSheet } from "./RoomsSheet";

afterEach(() => {
  cleanup();
  forget();
});

const settings: Schemas["HouseSettingsView"] = {
  version: 3,
  document: {
    wishes: [],
    weights: {
      pricePercent: 100,
      kind: 1500,
      maker: 2000,
      box: 500,
      minute: 50,
      exchanged: 800,
      silent: 4000,
      cut: 3000,
      wish: 1000,
      note: 600,
      stockPercent: 50,
    },
    oneMaker: false,
    rooms: [],
    storeyHeight: 2.8,
    floors: "CONCRETE",
    anchors: [],
  },
  walls: [
    { value: "BRICK", label: "brick" },
    { value: "WOOD", label: "wood" },
    { value: "CONCRETE", label: "concrete" },
  ],
  networks: [
    { value: "ZIGBEE", label: "Zigbee" },
    { value: "WIFI", label: "Wi-Fi" },
  ],
};
const outcome: Schemas["Outcome"] = {
  units: [{ unit: "u1", words: "B-01, shelf lamps", box: "b1", label: "B-01", boxes: ["b1"] }],
  chosen: [],
  open: ["u1"],
  terms: [
    { term: "PRICE", label: "modules and bypasses", amount: 19.9 },
    { term: "WISHES", label: "wishes and reservations", amount: 0 },
  ],
  total: 19.9,
  gap: 1.5,
  optimal: false,
  modules: {},
  boxesOpened: 0,
  standbyWatts: 0,
  standbyUnknown: 2,
  radio: [],
  brokenPins: [{ unit: "u1", module: "QQ-9" }],
  mute: ["B-02, Spare switch"],
};
const choice = (change: Partial<Schemas["ChoiceEntry"]>): Schemas["ChoiceEntry"] => ({
  id: "c1",
  name: "Choice 1",
  state: "DONE",
  words: "done",
  who: "A. Mead",
  when: "2026-11-25T10:00:00Z",
  outcome,
  pins: [],
  stale: false,
  ...change,
});

describe("the sheet that matches the whole house", () => {
  it("says what to do before anything is chosen, and begins a choice", async () => {
    answers.push({ match: /GET .*\/settings$/, body: settings });
    answers.push({ match: /GET .*\/choices$/, body: [] });
    answers.push({ match: /POST .*\/choices$/, status: 202, body: { id: "c1" } });
    show(<HouseMatchSheet job={job()} />);

    expect(await screen.findByText(/Nothing is chosen yet/)).toBeTruthy();
    await userEvent.setup().click(screen.getByRole("button", { name: "choose for the whole house" }));
    expect(asked.find((a) => a.method === "POST")?.body).toEqual({ name: "Choice 1", pins: [] });
  });

  it("shows how far a running one is, and stops it", async () => {
    answers.push({ match: /GET .*\/settings$/, body: settings });
    answers.push({
      match: /GET .*\/choices$/,
      body: [choice({ state: "RUNNING", words: "choosing, round 2", outcome: undefined })],
    });
    answers.push({ match: /DELETE .*\/choices\/c1$/, body: null });
    show(<HouseMatchSheet job={job()} />);

    expect(await screen.findByText("choosing, round 2")).toBeTruthy();
    await userEvent.setup().click(screen.getByRole("button", { name: "stop" }));
    expect(asked.some((a) => a.method === "DELETE" && a.url.endsWith("/choices/c1"))).toBe(true);
  });

  it("states the gap, what is left out, and the pin that cannot be kept", async () => {
    answers.push({ match: /GET .*\/settings$/, body: settings });
    answers.push({ match: /GET .*\/choices$/, body: [choice({})] });
    show(<HouseMatchSheet job={job()} />);

    expect(await screen.findByText("0 of 1 positions")).toBeTruthy();
    expect(screen.getByText(/No choice can cost less than 18.40; this one costs 19.90/)).toBeTruthy();
    expect(screen.queryByText(/choose again before/)).toBeNull();
    expect(screen.getByText(/2 modules of which it is not stated/)).toBeTruthy();
    expect(screen.queryByText("wishes and reservations")).toBeNull();
    expect(screen.getByText(/The pin on QQ-9 cannot be kept/)).toBeTruthy();
    expect(screen.getByText(/B-02, Spare switch/)).toBeTruthy();
  });

  it("says that a choice is old", async () => {
    answers.push({ match: /GET .*\/settings$/, body: settings });
    answers.push({ match: /GET .*\/choices$/, body: [choice({ stale: true })] });
    show(<HouseMatchSheet job={job()} />);
    expect(await screen.findByText(/choose again before it is taken over/)).toBeTruthy();
  });

  it("names the boxes that keep what they have when a choice is taken over", async () => {
    answers.push({ match: /GET .*\/settings$/, body: settings });
    answers.push({ match: /GET .*\/choices$/, body: [choice({})] });
    answers.push({
      match: /POST .*\/take-over$/,
      body: { taken: 1, kept: [{ box: "b2", label: "B-02", why: "A run sheet is open." }] },
    });
    show(<HouseMatchSheet job={job()} />);
    await userEvent
      .setup()
      .click(await screen.findByRole("button", { name: "take this choice over into the boxes" }));

    expect((await screen.findByRole("status")).textContent).toBe(
      "1 boxes have it now. B-02 keeps what it has: A run sheet is open.",
    );
  });

  it("keeps a weight in cents that was typed as money", async () => {
    answers.push({ match: /GET .*\/settings$/, body: settings });
    answers.push({ match: /PUT .*\/settings$/, body: settings });
    answers.push({ match: /GET .*\/choices$/, body: [] });
    show(<HouseMatchSheet job={job()} />);
    const person = userEvent.setup();
    const field = await screen.findByLabelText<HTMLInputElement>("Each box opened");
    expect(field.value).toBe("5.00");
    await person.clear(field);
    await person.type(field, "7,25");
    await person.click(screen.getByRole("button", { name: "keep the weights", hidden: true }));

    const sent = asked.find((a) => a.method === "PUT")?.body as Schemas["HouseSettingsChange"];
    expect(sent.version).toBe(3);
    expect(sent.document.weights).toEqual({ ...settings.document.weights, box: 725 });
  });
});

const line = (change: Partial<Schemas["OrderLine"]>): Schemas["OrderLine"] => ({
  kind: "MODULE",
  code: "QQ-1",
  words: "one channel",
  needed: 3,
  spare: 1,
  unit: "pcs",
  onHand: 1,
  arrived: 0,
  toOrder: 3,
  supplier: "Bramble & Co",
  price: 59.7,
  serials: [],
  ...change,
});

describe("the pick list", () => {
  it("goes by supplier, says what has no price, and takes goods in with their serials", async () => {
    answers.push({
      match: /GET .*\/pick-list$/,
      body: [
        {
          supplier: "",
          currency: "EUR",
          lines: [
            line({ code: "", words: "single core", kind: "WIRE", unit: "m", supplier: "", price: null }),
          ],
          sum: 0,
          unpriced: true,
        },
        { supplier: "Bramble & Co", currency: "EUR", lines: [line({})], sum: 59.7, unpriced: false },
      ],
    });
    answers.push({ match: /POST .*\/goods-in$/, body: [] });
    show(<PickListSheet job={job()} />);
    const person = userEvent.setup();

    expect(await screen.findByRole("heading", { name: "Not in the stock book" })).toBeTruthy();
    expect(screen.getByText(/without those whose price is unknown/)).toBeTruthy();
    expect(screen.getByText("price unknown")).toBeTruthy();
    const buttons = screen.getAllByRole("button", { name: "goods in" });
    expect(buttons).toHaveLength(1);
    await person.click(buttons[0] as HTMLElement);
    const form = screen.getByRole("form", { name: "goods in, QQ-1" });
    await person.clear(within(form).getByLabelText("How many"));
    await person.type(within(form).getByLabelText("How many"), "2");
    await person.type(within(form).getByLabelText("Serial numbers, scanned or typed"), "S-1  S-2 ");
    await person.click(within(form).getByRole("button", { name: "take in" }));

    expect(asked.find((a) => a.method === "POST")?.body).toEqual({
      code: "QQ-1",
      quantity: 2,
      serials: ["S-1", "S-2"],
    });
  });

  it("says the next step when nothing is picked, and marks what is all here", async () => {
    answers.push({ match: /GET .*\/pick-list$/, body: [] });
    show(<PickListSheet job={job()} />);
    expect(await screen.findByText(/Match the house, and take a choice over/)).toBeTruthy();
    cleanup();
    forget();

    answers.push({
      match: /GET .*\/pick-list$/,
      body: [
        {
          supplier: "Bramble & Co",
          currency: "EUR",
          lines: [line({ arrived: 4, toOrder: 0, price: 0, serials: ["S-7"] })],
          sum: 0,
          unpriced: false,
        },
      ],
    });
    show(<PickListSheet job={job()} />);
    expect(await screen.findByText("all here")).toBeTruthy();
    expect(screen.getByText("S-7")).toBeTruthy();
  });
});

describe("the rooms", () => {
  it("keeps where a room is, a coordinator, and what the house wants", async () => {
    answers.push({ match: /GET .*\/settings$/, body: settings });
    answers.push({ match: /PUT .*\/settings$/, body: settings });
    show(<RoomsSheet job={job()} />);
    const person = userEvent.setup();
    const width = await screen.findByLabelText("Pantry, width");
    await person.clear(width);
    await person.type(width, "3.5");
    await person.selectOptions(screen.getByLabelText("Attic, walls"), "WOOD");
    await person.type(screen.getByLabelText("Name"), "hall box");
    await person.click(screen.getAllByRole("button", { name: "add" })[0] as HTMLElement);
    expect(screen.getByText(/hall box, Zigbee, Pantry/)).toBeTruthy();
    await person.selectOptions(screen.getByLabelText("Wish"), "PROTOCOL");
    await person.type(screen.getByLabelText("Which"), "Z-Wave");
    await person.click(screen.getByLabelText("a must"));
    await person.click(screen.getAllByRole("button", { name: "add" })[1] as HTMLElement);
    await person.click(screen.getByRole("button", { name: "keep" }));

    const sent = asked.find((a) => a.method === "PUT")?.body as Schemas["HouseSettingsChange"];
    expect(sent.document.rooms).toContainEqual(
      expect.objectContaining({ room: "pantry", width: 3.5, walls: "BRICK", storey: 0 }),
    );
    expect(sent.document.rooms).toContainEqual(
      expect.objectContaining({ room: "attic", walls: "WOOD", storey: 1 }),
    );
    expect(sent.document.anchors).toEqual([{ name: "hall box", protocol: "ZIGBEE", room: "pantry" }]);
    expect(sent.document.wishes).toEqual([{ kind: "PROTOCOL", must: true, detail: "Z-Wave" }]);
  });
});

describe("radio channels", () => {
  it("asks the server for the Wi-Fi that is pressed, and keeps both with the house", async () => {
    const slot = (channel: number, clear: boolean) => ({
      channel,
      mhz: 2405,
      band: { channel, from: 2404, to: 2406 },
      overlapMhz: clear ? 0 : 2,
      clear,
      weak: channel === 26,
    });
    answers.push({ match: /GET .*\/settings$/, body: settings });
    answers.push({
      match: /radio-plan$/,
      body: { channels: [slot(11, false), slot(25, true)], wifi: [], best: 25 },
    });
    answers.push({ match: /PUT .*\/settings$/, body: settings });
    show(<RoomsSheet job={job()} />);
    const person = userEvent.setup();
    await person.click(await screen.findByRole("button", { name: "Wi-Fi channel 6" }));
    expect(await screen.findByText(/Best is 25/)).toBeTruthy();
    expect(asked.filter((a) => a.url.endsWith("radio-plan")).at(-1)?.body).toEqual({ wifi: [6] });
    await person.click(screen.getByRole("button", { name: "Zigbee channel 11, under Wi-Fi" }));
    expect(screen.getByText(/Channel 11 lies 2 MHz under Wi-Fi/)).toBeTruthy();
    await person.click(screen.getByRole("button", { name: "keep" }));

    expect(asked.find((a) => a.method === "PUT")?.body).toMatchObject({
      document: { wifiChannels: [6], zigbeeChannel: 11 },
    });
  });

  it("tells what the job costs, and what the sum leaves out", () => {
    show(
      <Quote
        job="j1"
        cost={{
          currency: "EUR",
          modules: 74.7,
          smallParts: 2.45,
          unpriced: ["2 pcs insulating cap"],
          works: 3,
          minutes: 130,
          measured: 0,
          net: 77.15,
          taxPercent: 20,
          tax: 15.43,
          total: 92.58,
          whole: false,
        }}
      />,
    );
    expect(screen.getByText("nobody said what an hour costs")).toBeTruthy();
    expect(screen.getByText(/nothing is measured yet/).textContent).toContain(
      "2\u2009h 10\u2009min for 3 works",
    );
    expect(screen.getByText("Total of what is known")).toBeTruthy();
    expect(screen.getByText(/nobody knows the price: 2 pcs insulating cap/)).toBeTruthy();
    expect([inHours(60), inHours(0), inHours(5)]).toEqual(["1\u2009h", "0\u2009min", "5\u2009min"]);
  });
});
