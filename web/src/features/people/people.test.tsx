import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import { outage } from "../../api/outage";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { OutageBanner } from "../../ui/OutageBanner";
import { AccountPage } from "../account/AccountPage";
import { GuestPage } from "../guest/GuestPage";
import { LoginPage } from "../session/LoginPage";
import { InvitedPage } from "./InvitedPage";
import { JobPeople } from "./JobPeople";
import { PeoplePage } from "./PeoplePage";

afterEach(() => {
  cleanup();
  forget();
  outage.tell(undefined);
});

const person = (more: object) => ({
  id: "p1",
  name: "reed",
  displayName: "N. Reed",
  role: "FITTER",
  roleLabel: "Fitter",
  disabled: false,
  secondFactor: false,
  jobs: ["j1"],
  ...more,
});

describe("the second factor at the login", () => {
  it("is asked for after the password, and sent with it", async () => {
    answers.push({
      match: /POST .*session/,
      status: 401,
      body: {
        title: "This account has a second factor.",
        errors: [{ pointer: "/code", found: "none", expected: "the six digits" }],
      },
    });
    const hand = userEvent.setup();
    show(<LoginPage setup={false} />);
    await hand.type(screen.getByLabelText("Login name"), "reed");
    await hand.type(screen.getByLabelText("Password"), "some words");
    await hand.click(screen.getByRole("button", { name: "log in" }));
    const field = await screen.findByLabelText("Six digits from your device, or a recovery code");
    expect(screen.queryByRole("alert"), "nothing is wrong yet").toBeNull();
    await hand.type(field, "123456");
    await hand.click(screen.getByRole("button", { name: "log in" }));
    await waitFor(() =>
      expect(asked.at(-1)?.body).toEqual({ name: "reed", password: "some words", code: "123456" }),
    );
    expect(screen.getByRole("alert")).toBeTruthy();
  });
});

describe("people of the firm", () => {
  it("shows a link once, and asks before it shuts somebody out", async () => {
    answers.push(
      { match: /GET .*people$/, body: { people: [person({})], invitations: [] } },
      { match: /GET .*session/, body: { loggedIn: true, displayName: "M. Tarrow", role: "OWNER" } },
      {
        match: /POST .*invitations$/,
        status: 201,
        body: { id: "i1", text: "invited_abc", expiresAt: "2026-12-03T10:00:00Z" },
      },
      { match: /PUT .*people\/p1$/, status: 204, body: undefined },
    );
    const hand = userEvent.setup();
    show(<PeoplePage />);
    await screen.findByText("N. Reed");
    await hand.type(screen.getByLabelText("Name, as it stands on papers"), "J. Hale");
    await hand.click(screen.getByRole("button", { name: "make the link" }));
    await screen.findByText(/\/invited#invited_abc$/);
    await hand.click(screen.getByRole("button", { name: "done, hide it" }));
    expect(screen.queryByText(/invited_abc/)).toBeNull();
    await hand.click(screen.getByRole("button", { name: "shut out" }));
    expect(asked.some((request) => request.url.includes("/people/p1"))).toBe(false);
    await hand.click(screen.getByRole("button", { name: "shut out now" }));
    await waitFor(() =>
      expect(asked.find((request) => request.url.includes("/people/p1"))?.body).toEqual({
        role: "FITTER",
        disabled: true,
      }),
    );
  });

  it("assigns a fitter to a job by a tick", async () => {
    answers.push(
      {
        match: /GET .*assigned$/,
        body: [
          { id: "p0", displayName: "M. Tarrow", roleLabel: "Owner", assigned: false, always: true },
          { id: "p1", displayName: "N. Reed", roleLabel: "Fitter", assigned: false, always: false },
        ],
      },
      { match: /GET .*guests$/, body: [] },
      { match: /PUT .*assigned$/, status: 204, body: undefined },
    );
    show(<JobPeople job="j1" />);
    const tick = await screen.findByLabelText<HTMLInputElement>("N. Reed");
    fireEvent.click(tick);
    expect(tick.checked, "it shows in the very event, not when the server has answered").toBe(true);
    await waitFor(() =>
      expect(asked.find((request) => request.method === "PUT")?.body).toEqual({ people: ["p1"] }),
    );
    expect(screen.queryByLabelText("M. Tarrow"), "who leads works on every job").toBeNull();
  });

  it("says who invites to what, and that a used link is over", async () => {
    answers.push({
      match: /POST .*invitation$/,
      body: {
        displayName: "J. Hale",
        roleLabel: "Fitter",
        invitedBy: "M. Tarrow",
        expiresAt: "2026-12-03T10:00:00Z",
      },
    });
    show(<InvitedPage text="invited_abc" />);
    await screen.findByText(/M\. Tarrow invites J\. Hale as fitter\./);
    cleanup();
    forget();
    answers.push({
      match: /POST .*invitation$/,
      status: 409,
      body: { title: "This invitation was used, withdrawn or has run out. Ask for a new one.", errors: [] },
    });
    show(<InvitedPage text="invited_abc" />);
    await screen.findByText(/Ask for a new one/);
    expect(screen.queryByRole("button")).toBeNull();
  });
});

describe("the own account", () => {
  it("sets a second factor up in two steps and shows recovery codes once", async () => {
    answers.push(
      {
        match: /GET .*account$/,
        body: {
          name: "reed",
          displayName: "N. Reed",
          role: "LEAD",
          roleLabel: "Lead",
          secondFactor: false,
          recoveryCodesLeft: 0,
          logins: [],
          scopes: [{ scope: "READ", label: "Read jobs" }],
        },
      },
      { match: /GET .*session/, body: {} },
      { match: /GET .*tokens$/, body: [] },
      {
        match: /POST .*second-factor$/,
        body: { text: "JBSWY3DPEHPK3PXP", uri: "otpauth://totp/x", picture: "<svg/>" },
      },
      { match: /POST .*confirmed$/, body: { codes: ["aaaa-bbbb-cccc-dddd"] } },
    );
    const hand = userEvent.setup();
    show(<AccountPage />);
    await hand.type(await screen.findByLabelText("Your password"), "some words");
    await hand.click(screen.getByRole("button", { name: "set it up" }));
    await screen.findByText("JBSW Y3DP EHPK 3PXP");
    await hand.type(screen.getByLabelText("The six digits it shows now"), "654321");
    await hand.click(screen.getByRole("button", { name: "it shows codes: switch it on" }));
    await screen.findByText("aaaa-bbbb-cccc-dddd");
    await hand.click(screen.getByRole("button", { name: "they are safe, hide them" }));
    expect(screen.queryByText("aaaa-bbbb-cccc-dddd")).toBeNull();
  });
});

describe("a household", () => {
  it("reads what its switches do, and that the work is not finished", async () => {
    answers.push({
      match: /guide$/,
      body: {
        house: "Sluice Cottage",
        draft: true,
        rooms: [
          {
            name: "Hall",
            storey: "Ground floor",
            switches: [{ name: "Door lamp", does: ["Each flip changes the lamp."] }],
            byItself: [],
            afterCut: ["The lamp stays off."],
            withoutNet: [],
            withoutHub: [],
          },
        ],
        whenOut: [{ head: "The internet", words: "Every switch at a wall goes on working." }],
      },
    });
    show(<GuestPage job="j1" session={{ loggedIn: true, setupNeeded: false, role: "GUEST", job: "j1" }} />);
    await screen.findByText("Each flip changes the lamp.");
    expect(screen.getByText(/The work is not finished/)).toBeTruthy();
    expect(screen.getByText("The lamp stays off.")).toBeTruthy();
    expect(screen.queryByText("By itself"), "an empty section has no head").toBeNull();
  });
});

describe("the band over the page", () => {
  it("comes with an outage and goes when the clerk is ready", async () => {
    answers.push({ match: /readiness/, status: 503, body: {} });
    const hand = userEvent.setup();
    show(<OutageBanner />);
    expect(screen.queryByRole("alert")).toBeNull();
    outage.tell("The database does not answer. What you entered is still here; it is tried again by itself.");
    await screen.findByRole("alert");
    await hand.click(screen.getByRole("button", { name: "try now" }));
    expect(screen.getByRole("alert"), "still out").toBeTruthy();
    forget();
    answers.push({ match: /readiness/, body: {} });
    await hand.click(screen.getByRole("button", { name: "try now" }));
    await waitFor(() => expect(screen.queryByRole("alert")).toBeNull());
  });
});
