import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { PapersPart } from "./PapersPart";

afterEach(() => {
  cleanup();
  forget();
});

const paper = (id: string, more: object) => ({
  id,
  kind: "AS_BUILT",
  label: "As-built book",
  size: "A4",
  state: "DONE",
  words: "",
  done: 0,
  parts: 0,
  draft: false,
  bytes: 2048,
  madeBy: "M. Tarrow",
  madeAt: "2026-03-02T09:00:00Z",
  ...more,
});

const KINDS = [
  { kind: "AS_BUILT", label: "As-built book" },
  { kind: "RESTORE", label: "Restore book" },
];

function showPapers(role = "OWNER") {
  answers.push({ match: /GET .*session/, body: { loggedIn: true, role } });
  show(<PapersPart job="j1" />);
}

const row = (label: string) => screen.getByText(label).closest("li") as HTMLElement;

describe("papers of a job", () => {
  it("shows how far one is, and the last that was made beside it", async () => {
    answers.push(
      {
        match: /GET .*papers$/,
        body: {
          kinds: KINDS,
          papers: [
            paper("p2", { state: "RUNNING", words: "drawing 3 of 60", done: 3, parts: 60 }),
            paper("p1", { draft: true }),
          ],
        },
      },
      { match: /DELETE .*p2$/, status: 204, body: undefined },
    );
    const hand = userEvent.setup();
    showPapers();
    await screen.findByText("drawing 3 of 60");
    expect(screen.getByLabelText("As-built book on its way")).toHaveProperty("max", 60);
    expect(within(row("As-built book")).getByRole("link").textContent).toBe("open the draft");
    expect(within(row("Restore book")).getByText("not made yet")).toBeTruthy();
    await hand.click(screen.getByRole("button", { name: "stop" }));
    await waitFor(() =>
      expect(asked.some((r) => r.method === "DELETE" && r.url.endsWith("/papers/p2"))).toBe(true),
    );
  });

  it("makes one in the size that is chosen", async () => {
    answers.push(
      { match: /GET .*papers$/, body: { kinds: KINDS, papers: [] } },
      { match: /POST .*papers$/, status: 202, body: { id: "p3" } },
    );
    const hand = userEvent.setup();
    showPapers();
    await hand.selectOptions(await screen.findByLabelText("Size"), "LETTER");
    await hand.click(screen.getByRole("button", { name: "make Restore book" }));
    await waitFor(() =>
      expect(asked.find((r) => r.method === "POST")?.body).toEqual({ kind: "RESTORE", size: "LETTER" }),
    );
  });

  it("locks codes with a password that is forgotten here, and tells why it was refused", async () => {
    answers.push(
      { match: /GET .*papers$/, body: { kinds: KINDS, papers: [] } },
      {
        match: /POST .*sealed-section/,
        status: 409,
        body: { title: "No module of this job has a code.", errors: [] },
      },
    );
    const hand = userEvent.setup();
    showPapers();
    await hand.click(await screen.findByRole("button", { name: "sealed section of codes" }));
    expect(screen.getByText(/Every code in it counts as shown, by you, now\./)).toBeTruthy();
    await hand.type(screen.getByLabelText("Password, 12 characters or more"), "three lathes under moss");
    await hand.click(screen.getByRole("button", { name: "make and save it" }));
    await screen.findByText("No module of this job has a code.");
    expect(asked.find((r) => r.method === "POST")?.body).toEqual({
      password: "three lathes under moss",
      why: "hand over to the owner",
      size: "A4",
    });
  });

  it("offers codes to nobody who may not open them", async () => {
    answers.push({ match: /GET .*papers$/, body: { kinds: KINDS, papers: [] } });
    showPapers("FITTER");
    await screen.findByText("As-built book");
    await waitFor(() => expect(screen.queryByRole("button", { name: "sealed section of codes" })).toBeNull());
  });
});
