import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { AccountPage } from "./AccountPage";

afterEach(() => {
  cleanup();
  forget();
});

const login = (id: string, own: boolean) => ({
  id,
  device: own ? "Laptop" : "Telephone",
  address: "127.0.0.1",
  since: "2026-11-30T08:00:00Z",
  lastUsed: "2026-12-01T08:00:00Z",
  own,
});

const account = {
  name: "reed",
  displayName: "N. Reed",
  role: "FITTER",
  roleLabel: "Fitter",
  secondFactor: false,
  recoveryCodesLeft: 0,
  logins: [login("l1", true), login("l2", false)],
  scopes: [
    { scope: "READ", label: "read" },
    { scope: "WRITE", label: "change" },
  ],
};

const served = (more: object = {}) =>
  answers.push(
    { match: /GET .*account$/, body: { ...account, ...more } },
    { match: /GET .*tokens$/, body: [] },
    { match: /GET .*session$/, body: { loggedIn: true, displayName: "N. Reed", role: "FITTER" } },
  );

const sent = (method: string, part: string) =>
  asked.filter((request) => request.method === method && request.url.includes(part));

describe("somebody's own account", () => {
  it("ends another login, and not the one that it is looked at with", async () => {
    answers.push({ match: /DELETE .*logins\/l2$/, status: 204 });
    served();
    const hand = userEvent.setup();
    show(<AccountPage />);
    await screen.findByText("this one");
    expect(screen.getAllByRole("button", { name: "end it" })).toHaveLength(1);
    await hand.click(screen.getByRole("button", { name: "end it" }));
    await waitFor(() => expect(sent("DELETE", "/logins/l2")).toHaveLength(1));
  });

  it("changes the password with the old one, and empties the fields", async () => {
    answers.push({ match: /PUT .*password$/, status: 204 });
    served();
    const hand = userEvent.setup();
    show(<AccountPage />);
    await hand.type(await screen.findByLabelText("The one of now"), "old words of mine");
    await hand.type(screen.getByLabelText("The new one, 12 characters or more"), "new words of mine");
    await hand.click(screen.getByRole("button", { name: "change it" }));
    await screen.findByText("Changed. Every other login of yours has ended.");
    expect(sent("PUT", "/password")[0]?.body).toEqual({
      was: "old words of mine",
      password: "new words of mine",
    });
    expect((screen.getByLabelText("The one of now") as HTMLInputElement).value).toBe("");
  });

  it("sets up a second factor, and shows its recovery codes until they are safe", async () => {
    answers.push(
      { match: /POST .*second-factor\/confirmed$/, body: { codes: ["aaaa-1111", "bbbb-2222"] } },
      { match: /POST .*second-factor$/, body: { text: "ABCDEFGH", picture: "<svg/>" } },
    );
    served();
    const hand = userEvent.setup();
    show(<AccountPage />);
    await hand.type(await screen.findByLabelText("Your password"), "words of mine");
    await hand.click(screen.getByRole("button", { name: "set it up" }));
    await screen.findByText("ABCD EFGH");
    await hand.type(screen.getByLabelText("The six digits it shows now"), "123456");
    await hand.click(screen.getByRole("button", { name: "it shows codes: switch it on" }));
    await screen.findByText("bbbb-2222");
    expect(sent("POST", "/confirmed")[0]?.body).toEqual({ code: "123456" });
    await hand.click(screen.getByRole("button", { name: "they are safe, hide them" }));
    expect(screen.queryByText("bbbb-2222")).toBeNull();
  });

  it("makes a token that may do no more than was ticked, and shows it once", async () => {
    answers.push({ match: /POST .*tokens$/, status: 201, body: { id: "t1", token: "clerk_secret" } });
    served();
    const hand = userEvent.setup();
    show(<AccountPage />);
    await hand.type(await screen.findByLabelText("What it is for"), "nightly export");
    await hand.click(screen.getByRole("button", { name: "make a token" }));
    await screen.findByText(/clerk_secret/);
    expect(sent("POST", "/tokens")[0]?.body).toEqual({ label: "nightly export", scopes: ["READ"], days: 90 });
    await hand.click(screen.getByRole("button", { name: /done/ }));
    expect(screen.queryByText(/clerk_secret/)).toBeNull();
  });
});
