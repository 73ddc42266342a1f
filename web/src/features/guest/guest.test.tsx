import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { GuestPage } from "./GuestPage";
import { VisitPage } from "./VisitPage";

afterEach(() => {
  cleanup();
  forget();
});

const session = {
  loggedIn: true,
  setUpNeeded: false,
  guestOf: "j1",
  expiresAt: "2026-12-20T10:00:00Z",
} as never;

const guide = (more: object = {}) => ({
  house: "Sluice Cottage",
  draft: false,
  rooms: [
    {
      name: "Pantry",
      storey: "Ground floor",
      switches: [{ name: "Shelf switch", does: ["Each flip changes the shelf lamps."] }],
      byItself: ["The shelf lamps go off at midnight."],
      afterCut: [],
      withoutNet: ["Everything works."],
      withoutHub: [],
    },
  ],
  whenOut: [{ head: "The hub is off", words: "Switches work as before." }],
  ...more,
});

describe("what a household sees", () => {
  it("is what each switch does, room by room, without empty headings", async () => {
    answers.push({ match: /GET .*guide$/, body: guide() });
    show(<GuestPage job="j1" session={session} />);
    expect(await screen.findByText("Each flip changes the shelf lamps.")).toBeTruthy();
    expect(screen.getByText("While the internet is out")).toBeTruthy();
    expect(screen.queryByText("After a power cut")).toBeNull();
    expect(screen.queryByText(/The work is not finished/)).toBeNull();
    expect(screen.getByText(/This link is good until/)).toBeTruthy();
  });

  it("says so while the work is not finished", async () => {
    answers.push({ match: /GET .*guide$/, body: guide({ draft: true }) });
    show(<GuestPage job="j1" session={session} />);
    expect(await screen.findByText(/The work is not finished/)).toBeTruthy();
  });

  it("says that the house does not run", async () => {
    answers.push(
      { match: /GET .*guide$/, body: guide() },
      { match: /GET .*live$/, body: { storeys: [], running: false, version: 0 } },
    );
    const hand = userEvent.setup();
    show(<GuestPage job="j1" session={session} />);
    await screen.findByText("Pantry");
    await hand.click(screen.getByRole("tab", { name: "house" }));
    expect(await screen.findByText(/The house does not run at the moment/)).toBeTruthy();
  });
});

describe("a household's link", () => {
  it("is opened once, with its secret in the body and not in the address", async () => {
    answers.push({ match: /POST .*visit$/, status: 204 });
    show(<VisitPage text="secret-words" />, "/visit");
    await waitFor(() => expect(asked.filter((request) => request.url.includes("/visit"))).toHaveLength(1));
    const visit = asked.find((request) => request.url.includes("/visit"));
    expect(JSON.stringify(visit?.body)).toContain("secret-words");
    expect(visit?.url).not.toContain("secret-words");
  });

  it("says what the server says when it has run out", async () => {
    answers.push({ match: /POST .*visit$/, status: 401, body: { title: "This link has run out." } });
    show(<VisitPage text="old" />, "/visit");
    expect(await screen.findByText(/This link has run out/)).toBeTruthy();
  });
});
