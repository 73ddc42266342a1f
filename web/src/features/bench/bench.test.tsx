import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/transport";
import { job as house } from "../../testing";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { BenchSheet, leftInWords } from "./BenchSheet";
import { CodeForm } from "./CodeForm";
import { NamesPart } from "./NamesPart";
import { UnitCard } from "./UnitCard";

afterEach(() => {
  cleanup();
  forget();
});

const unit: Schemas["BenchUnitView"] = {
  id: "u1",
  version: 3,
  serial: "SN-1",
  moduleCode: "QQ-1",
  name: "one channel",
  protocol: "Zigbee",
  display: "Hall lamp",
  handle: "hall-lamp",
  wanted: {},
  settings: [],
  steps: [
    { step: "POWER_UP", title: "Power it up", how: "L and N", skippable: false, behind: false },
    { step: "UPDATE", title: "Update it", how: "The newest", skippable: true, behind: false },
  ],
  unset: [],
  next: "POWER_UP",
  ready: false,
  faulty: false,
  codes: [
    {
      id: "c1",
      kind: "ZIGBEE_INSTALL_CODE",
      label: "Zigbee install code",
      masked: "•••• FC05",
      facts: [],
      keptBy: "A. Mead",
      keptAt: "2026-11-25T10:00:00Z",
    },
  ],
  kinds: [{ kind: "ZIGBEE_INSTALL_CODE", label: "Zigbee install code" }],
};

it("marks a step at the version that was seen, and leaves one out only where that may be", async () => {
  answers.push({ match: /POST .*\/bench\/u1\/marks$/, body: {} });
  show(<UnitCard job="j" unit={unit} />);
  const person = userEvent.setup();
  expect(screen.queryByRole("button", { name: "leave out" })).toBeNull();
  await person.click(screen.getByRole("button", { name: /Update it/ }));
  await person.type(screen.getByLabelText("Note, or reason"), "newest already");
  await person.click(screen.getByRole("button", { name: "leave out" }));

  expect(asked.find((a) => a.method === "POST")?.body).toEqual({
    version: 3,
    step: "UPDATE",
    outcome: "SKIPPED",
    note: "newest already",
  });
});

it("keeps a code only when its check comes out, and offers the slip that explains a wrong one", async () => {
  answers.push({
    match: /credential-check$/,
    body: {
      good: false,
      facts: [],
      flaw: "the check does not come out",
      slips: [{ corrected: "00112233", words: "digit 8 is 3, not 4" }],
    },
  });
  show(<CodeForm unit={unit} onKept={() => {}} />);
  const person = userEvent.setup();
  await person.type(screen.getByLabelText("Zigbee install code"), "00112234");
  await person.click(await screen.findByRole("button", { name: "digit 8 is 3, not 4?" }));

  expect((screen.getByLabelText("Zigbee install code") as HTMLInputElement).value).toBe("00112233");
  expect(screen.getByRole("button", { name: "keep it sealed" })).toHaveProperty("disabled", true);
});

it("shows a code after its purpose is written down, and hides it again", async () => {
  answers.push({ match: /POST .*\/credentials\/c1\/showings$/, body: { text: "0011223344556677FC05" } });
  show(<CodeForm unit={unit} onKept={() => {}} />);
  const person = userEvent.setup();
  await person.click(screen.getByRole("button", { name: "show" }));
  await person.type(screen.getByLabelText(/What for\?/), "joining again");
  await person.click(screen.getByRole("button", { name: "show it" }));
  expect(await screen.findByText("0011223344556677FC05")).toBeTruthy();
  await person.click(screen.getByRole("button", { name: "hide" }));

  expect(screen.queryByText("0011223344556677FC05")).toBeNull();
  expect(asked.find((a) => a.method === "POST")?.body).toEqual({ why: "joining again" });
});

it("takes serials as fast as they are scanned, and gives a refused one back", async () => {
  answers.push({
    match: /GET .*\/bench$/,
    body: { units: [], waiting: [{ moduleCode: "QQ-1", count: 3, boxes: ["x", "y", "z"], inPlace: 0 }] },
  });
  answers.push({ match: /POST .*\/bench$/, body: {} });
  show(<BenchSheet job={house()} />);
  const person = userEvent.setup();
  const field = await screen.findByLabelText("Serial, scanned or typed");
  await person.type(field, "SN-1{Enter}SN-2{Enter}");
  await vi.waitFor(() =>
    expect(asked.filter((a) => a.method === "POST").map((a) => a.body)).toEqual([
      { moduleCode: "QQ-1", serial: "SN-1" },
      { moduleCode: "QQ-1", serial: "SN-2" },
    ]),
  );
  answers.splice(1, 1, { match: /POST .*\/bench$/, status: 422, body: { title: "no", errors: [] } });
  await person.type(field, "SN-1{Enter}");
  expect(await screen.findByText(/^no/)).toBeTruthy();
  expect((field as HTMLInputElement).value).toBe("SN-1");
});

it("offers the modules of its own box first, and takes them for it", async () => {
  const job = house();
  const box = job.boxes[0]?.id ?? "";
  answers.push({
    match: /GET .*\/bench$/,
    body: {
      units: [],
      waiting: [
        { moduleCode: "AA-1", count: 2, boxes: ["x", "y"], inPlace: 0 },
        { moduleCode: "QQ-1", count: 3, boxes: ["x", box, "z"], inPlace: 0 },
      ],
    },
  });
  answers.push({ match: /POST .*\/bench$/, body: {} });
  show(<BenchSheet job={job} box={box} />);
  const person = userEvent.setup();
  await person.type(await screen.findByLabelText("Serial, scanned or typed"), "SN-9{Enter}");

  expect((screen.getByLabelText("Module") as HTMLSelectElement).value).toBe("QQ-1");
  expect(screen.getByRole("option", { name: `QQ-1, 1 for ${job.boxes[0]?.label}` })).toBeTruthy();
  await vi.waitFor(() =>
    expect(asked.find((a) => a.method === "POST")?.body).toEqual({ moduleCode: "QQ-1", serial: "SN-9", box }),
  );
});

it("says that a module is in its box already, where it is taken down and not powered", async () => {
  answers.push({
    match: /GET .*\/bench$/,
    body: { units: [], waiting: [{ moduleCode: "QQ-2", count: 1, boxes: ["x"], inPlace: 1 }] },
  });
  show(<BenchSheet job={house()} />);

  expect(await screen.findByText(/1 QQ-2 is in its box already/)).toBeTruthy();
  expect(screen.getByRole("button", { name: "take it down" })).toBeTruthy();
});

it("builds names from tokens in the order in which they are pressed", async () => {
  answers.push({
    match: /GET .*\/names$/,
    body: {
      tokens: ["ROOM"],
      choices: [
        { token: "ROOM", words: "room" },
        { token: "BOX", words: "box" },
      ],
      displayCharacters: 32,
      handleCharacters: 63,
      names: [],
      renamings: [],
    },
  });
  answers.push({ match: /PUT .*\/names$/, body: {} });
  show(<NamesPart job="j" />);
  const person = userEvent.setup();
  expect(await screen.findByRole("button", { name: "1 room", hidden: true })).toHaveProperty(
    "disabled",
    true,
  );
  await person.click(screen.getByRole("button", { name: "box", hidden: true }));

  expect(asked.find((a) => a.method === "PUT")?.body).toEqual({ tokens: ["ROOM", "BOX"] });
});

it("counts what is left", () => {
  expect(leftInWords(2, 1)).toBe("2 not ready, 1 not on the bench");
  expect(leftInWords(0, 3)).toBe("3 not on the bench");
  expect(leftInWords(0, 0)).toBe("all ready");
});
