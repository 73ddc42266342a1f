import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { afterEach, expect, it, vi } from "vitest";
import { api, type Schemas } from "../../api/client";
import { ModuleForm } from "./ModuleForm";

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
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
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <ModuleForm item={item} onClose={() => {}} />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  const person = userEvent.setup();
  expect(screen.getByText(/Not stated: size, LED rating/)).toBeTruthy();
  await person.type(screen.getByLabelText("LED lamps, W"), "75");
  await person.click(screen.getByRole("button", { name: "keep" }));

  const sent = change.mock.calls[0]?.[1];
  expect(sent?.version).toBe(4);
  expect(sent?.document.lengthMm).toBeUndefined();
  expect(sent?.document.channels[0]?.ratings).toContainEqual({ load: "LED_LAMP", watts: 75 });
  expect((await screen.findByRole("status")).textContent).toContain(
    "OK before, HOLD now: its plan must be issued again",
  );
});
