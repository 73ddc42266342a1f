import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { ApiProblem, type Schemas } from "../../api/transport";
import { api } from "./api";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { Estimates } from "./Estimates";
import { ModuleForm } from "./ModuleForm";
import { documentOf, valuesOf } from "./moduleValues";
import { StockBookPage } from "./StockBookPage";
import { Transfer } from "./Transfer";

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  forget();
});

const item: Schemas["ModuleItem"] = {
  version: 4,
  onHand: 2,
  retired: false,
  unknown: ["size", "LED rating"],
  changedBy: "A. Mead",
  changedAt: "2026-11-25T10:00:00Z",
  document: {
    code: "QQ-1",
    maker: "Quern",
    name: "one channel",
    protocol: "ZIGBEE",
    purpose: "LIGHTS",
    markets: ["EU"],
    supply: { type: "LINE_NEUTRAL", pins: ["L", "N"] },
    channels: [{ id: "1", from: "L", to: "O1", ratings: [{ load: "RESISTIVE", amps: 10 }] }],
    inputs: [],
    behaviours: ["EVERY_FLIP"],
    terminals: [
      { name: "L", takes: 1 },
      { name: "N", takes: 1 },
    ],
    interlocked: false,
    metering: false,
    worksWithoutInternet: true,
    dims: false,
  },
};

it("keeps an empty field unknown and a typed one as a figure, and says what was re-opened", async () => {
  const concerned = {
    job: "j",
    jobName: "Sluice Cottage",
    box: "b",
    label: "B-01",
    verdict: "OK",
    issued: true,
  };
  const change = vi.spyOn(api, "changeModule").mockResolvedValue({
    module: item,
    reopened: [{ before: concerned, after: { ...concerned, verdict: "HOLD", issued: false } }],
  });
  show(<ModuleForm item={item} onClose={() => {}} />);
  const person = userEvent.setup();
  expect(screen.getByText(/Not stated: size, LED rating/)).toBeTruthy();
  await person.type(screen.getByLabelText("LED lamps, W"), "75.5");
  await person.type(screen.getByLabelText("Price"), "12,05");
  await person.clear(screen.getByLabelText("Resistive, A"));
  await person.click(screen.getByRole("button", { name: "keep" }));

  const sent = change.mock.calls[0]?.[1];
  expect(sent?.version).toBe(4);
  expect(sent?.document.lengthMm).toBeUndefined();
  expect(sent?.document.channels[0]?.ratings).toEqual([{ load: "LED_LAMP", watts: 75.5 }]);
  expect(sent?.document.priceCents).toBe(1205);
  expect((await screen.findByRole("status")).textContent).toContain(
    "OK before, HOLD now: its plan must be issued again",
  );
});

it("takes terminals, firmware and pairing as rows, and keeps the rows that are not taken out", async () => {
  const change = vi.spyOn(api, "changeModule").mockResolvedValue({ module: item, reopened: [] });
  show(<ModuleForm item={item} onClose={() => {}} />);
  const person = userEvent.setup();
  await person.click(screen.getByRole("button", { name: "add to Terminals and leads", hidden: true }));
  await person.type(screen.getByLabelText("Terminals and leads 3: Name"), "S1");
  await person.click(screen.getByRole("button", { name: "take out Terminals and leads 1", hidden: true }));
  await person.click(screen.getByRole("button", { name: "add to Firmware", hidden: true }));
  await person.click(screen.getByRole("button", { name: "keep" }));
  expect(change).not.toHaveBeenCalled();
  expect(screen.getByText(/^Supply, terminals/).closest("details")?.open).toBe(true);
  await person.type(screen.getByLabelText("Firmware 1: Line"), "relay");
  await person.type(screen.getByLabelText("Firmware 1: Version"), "1.4.0");
  await person.type(screen.getByLabelText("Firmware 1: Features, with commas"), "run-on, metering, ");
  await person.type(screen.getByLabelText("Own draw, W"), "0.7");
  await person.click(screen.getByRole("button", { name: "keep" }));

  const sent = change.mock.calls[0]?.[1].document;
  expect(sent?.terminals).toEqual([
    { name: "N", takes: 1 },
    { name: "S1", takes: 1 },
  ]);
  expect(sent?.firmware).toEqual([{ name: "relay", version: "1.4.0", features: ["run-on", "metering"] }]);
  expect(sent?.supply.watts).toBe(0.7);
});

it("shows what was refused at the field that it is about", async () => {
  answers.push({
    match: /PUT .*\/modules\/QQ-1$/,
    status: 422,
    body: {
      title: "The module was not kept.",
      errors: [{ pointer: "/document/lengthMm", found: "-3", expected: "at least 5" }],
    },
  });
  show(<ModuleForm item={item} onClose={() => {}} />);
  const person = userEvent.setup();
  const length = screen.getByLabelText("Length, mm");
  await person.type(length, "-3");
  await person.click(screen.getByRole("button", { name: "keep" }));
  expect(await screen.findByText("expected: at least 5")).toBeTruthy();
  expect(length.getAttribute("aria-invalid")).toBe("true");
  expect(screen.getByLabelText("Width, mm").getAttribute("aria-invalid")).toBeNull();
  expect(screen.getByText("The module was not kept.")).toBeTruthy();
});

it("is sent again after a refusal at a place that has no field", async () => {
  const change = vi
    .spyOn(api, "changeModule")
    .mockRejectedValueOnce(
      new ApiProblem(422, "The module was not kept.", [
        { pointer: "/document/channels", found: "two of one name", expected: "every name once" },
      ]),
    )
    .mockResolvedValueOnce({ module: item, reopened: [] });
  show(<ModuleForm item={item} onClose={() => {}} />);
  const person = userEvent.setup();
  await person.click(screen.getByRole("button", { name: "keep" }));
  expect(await screen.findByText("The module was not kept.")).toBeTruthy();
  await person.click(screen.getByRole("button", { name: "keep" }));
  expect(change).toHaveBeenCalledTimes(2);
});

it("leaves what was not touched on each channel as it is", () => {
  const [channel] = item.document.channels;
  const second = { id: "2", from: "L", to: "O2", ratings: [{ load: "MOTOR" as const, watts: 40 }] };
  const document = { ...item.document, channels: channel ? [channel, second] : [] };
  const values = { ...valuesOf({ ...item, document }), ratings: { LED_LAMP: 60 } };
  expect(documentOf(values, { LED_LAMP: true }).channels.map(({ ratings }) => ratings)).toEqual([
    [
      { load: "RESISTIVE", amps: 10 },
      { load: "LED_LAMP", watts: 60 },
    ],
    [
      { load: "MOTOR", watts: 40 },
      { load: "LED_LAMP", watts: 60 },
    ],
  ]);
});

it("finds modules by what they are, and never shows an unknown as nothing", async () => {
  const other = {
    ...item,
    retired: true,
    document: { ...item.document, code: "ZZ-2", name: "two channels" },
  };
  answers.push({
    match: /GET .*\/stock$/,
    body: {
      modules: [item, other],
      accessories: [{ version: 1, onHand: 4, document: { code: "LC-3", kind: "CONNECTOR", name: "for 3" } }],
    },
  });
  answers.push({ match: /GET .*\/estimates$/, body: { version: 0, shares: {} } });
  answers.push({ match: /PUT .*\/accessories\/LC-3$/, body: {} });
  show(<StockBookPage />);
  const person = userEvent.setup();

  expect(await screen.findByText("2 of 2 modules")).toBeTruthy();
  expect(screen.getAllByText("price unknown").length).toBeGreaterThan(1);
  expect(screen.getByText(/no longer bought/)).toBeTruthy();
  await person.type(screen.getByLabelText("Find a module"), "two ch");
  expect(screen.getByText("1 of 2 modules")).toBeTruthy();
  expect(screen.queryByRole("button", { name: "QQ-1" })).toBeNull();
  const shelf = screen.getByLabelText("LC-3 on the shelf");
  await person.clear(shelf);
  await person.type(shelf, "9");
  await person.tab();
  expect(asked.find((a) => a.method === "PUT")?.body).toMatchObject({ version: 1, onHand: 9 });
});

it("reports a file row by row", async () => {
  answers.push({
    match: /POST .*\/stock\/import\?format=CSV/,
    body: {
      added: 1,
      changed: 2,
      refused: [
        { row: 4, code: "QQ-7", problems: [{ pointer: "/lengthMm", found: "-3", expected: "at least 5" }] },
      ],
      reopened: [],
      applied: false,
    },
  });
  show(<Transfer />);
  await userEvent
    .setup()
    .upload(screen.getByLabelText("take in"), new File(["code\nQQ-7\n"], "shelf.CSV", { type: "text/csv" }));

  expect(await screen.findByText("Nothing is taken: 1 added, 2 changed, 1 refused.")).toBeTruthy();
  expect(screen.getByText(/Row 4, QQ-7: \/lengthMm -3; wanted is at least 5/)).toBeTruthy();
  expect(asked[0]?.body).toEqual({ text: "code\nQQ-7\n" });
});

it("keeps an estimate with the version it was seen at", async () => {
  answers.push({
    match: /GET .*\/estimates$/,
    body: { version: 5, shares: { MOTOR: 0.3, LED_DRIVER: 0.2 } },
  });
  answers.push({ match: /PUT .*\/estimates$/, body: { version: 6, shares: {} } });
  show(<Estimates />);
  const person = userEvent.setup();
  const field = await screen.findByLabelText("motor");
  await person.clear(field);
  await person.type(field, "0,25");
  await person.click(screen.getByRole("button", { name: "keep the estimates", hidden: true }));

  expect(asked.find((a) => a.method === "PUT")?.body).toEqual({
    version: 5,
    shares: { MOTOR: 0.25, LED_DRIVER: 0.2 },
  });
});
