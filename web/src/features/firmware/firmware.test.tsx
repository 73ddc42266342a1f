import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { job } from "../../testing";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { FirmwareSheet } from "./FirmwareSheet";

afterEach(() => {
  cleanup();
  forget();
});

const update = (more: Partial<Schemas["UpdateView"]>): Schemas["UpdateView"] => ({
  unit: "u1",
  place: "Hall, B-01",
  kind: "TG-1N",
  from: "1.3.0",
  to: "1.4.0",
  status: "WAITING",
  ...more,
});

const rollout = (more: Partial<Schemas["RolloutView"]>): Schemas["RolloutView"] => ({
  id: "r1",
  state: "RUNNING",
  madeBy: "M. Tarrow",
  madeAt: "2026-12-01T10:00:00Z",
  done: 1,
  all: 2,
  words: "Hall first.",
  waves: [
    [update({ status: "VERIFIED" })],
    [update({ unit: "u2", place: "Stair, B-02", status: "STARTED" })],
  ],
  left: [],
  log: [],
  findings: [],
  ...more,
});

const firmware = (more: Partial<Schemas["FirmwareView"]> = {}): Schemas["FirmwareView"] => ({
  due: {
    minutes: 12,
    waves: [[update({})]],
    left: [{ place: "Attic, B-02", reason: "its circuit is being worked on" }],
  },
  policy: { batch: 4, tries: 2, stopAfter: 1 },
  releases: [],
  rollouts: [],
  ...more,
});

const sent = (part: string) =>
  asked.filter((request) => request.method === "POST" && request.url.includes(part));

describe("firmware of a house", () => {
  it("shows what is due and what stays as it is, and begins under the policy that was typed", async () => {
    answers.push(
      { match: /POST .*rollouts$/, body: firmware({ rollouts: [rollout({})] }) },
      { match: /GET .*firmware$/, body: firmware() },
    );
    const hand = userEvent.setup();
    show(<FirmwareSheet job={job()} />);
    await screen.findByText(/1 module, about 12 min/);
    expect(screen.getByText(/Attic, B-02 \(its circuit is being worked on\)/)).toBeTruthy();
    const atOnce = screen.getByLabelText("At once, modules");
    await hand.clear(atOnce);
    await hand.type(atOnce, "2");
    await hand.click(screen.getByRole("button", { name: "begin the roll-out" }));
    await waitFor(() => expect(sent("/rollouts")[0]?.body).toEqual({ batch: 2, tries: 2, stopAfter: 1 }));
    await screen.findByText("Roll-out, on its way");
    expect(screen.queryByRole("button", { name: "begin the roll-out" }), "one at a time").toBeNull();
  });

  it("tells how far it is, and can be halted", async () => {
    answers.push(
      { match: /POST .*rollouts\/r1\/halt$/, body: firmware({ rollouts: [rollout({ state: "HALTED" })] }) },
      { match: /GET .*firmware$/, body: firmware({ rollouts: [rollout({})] }) },
    );
    const hand = userEvent.setup();
    show(<FirmwareSheet job={job()} />);
    const bar = await screen.findByRole("progressbar", { name: "modules done" });
    expect([bar.getAttribute("value"), bar.getAttribute("max")]).toEqual(["1", "2"]);
    await hand.click(screen.getByRole("button", { name: "halt" }));
    await screen.findByText("Roll-out, halted");
    expect(screen.getByRole("button", { name: "go on" })).toBeTruthy();
  });

  it("goes on after a stop only when somebody says that they have looked", async () => {
    answers.push(
      { match: /POST .*rollouts\/r1\/go-on$/, body: firmware({ rollouts: [rollout({})] }) },
      {
        match: /GET .*firmware$/,
        body: firmware({
          rollouts: [rollout({ state: "STOPPED", waves: [[update({ status: "MARKED" })]] })],
        }),
      },
    );
    const hand = userEvent.setup();
    show(<FirmwareSheet job={job()} />);
    expect(await screen.findByText("did not take it")).toBeTruthy();
    await hand.click(screen.getByRole("button", { name: "I have looked, go on" }));
    await waitFor(() => expect(sent("/go-on")).toHaveLength(1));
  });

  it("says so when nothing is due", async () => {
    answers.push({ match: /GET .*firmware$/, body: firmware({ due: { minutes: 0, waves: [], left: [] } }) });
    show(<FirmwareSheet job={job()} />);
    expect(await screen.findByText(/Nothing is due/)).toBeTruthy();
  });
});
