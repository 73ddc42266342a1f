import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { ApiProblem, NoConnection } from "../../api/transport";
import { Failure } from "../../ui/Failure";
import { placeOf } from "../../ui/place";
import { moment, withUnit } from "../../ui/figures";
import { DayBookPage } from "../daybook/DayBookPage";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { LoginPage } from "./LoginPage";

afterEach(() => {
  cleanup();
  forget();
});

describe("the first page", () => {
  it("logs in with name and password", async () => {
    answers.push({ match: /POST .*session/, body: { loggedIn: true, setupNeeded: false } });
    const person = userEvent.setup();
    show(<LoginPage setup={false} />);
    await person.type(screen.getByLabelText("Login name"), "vane");
    await person.type(screen.getByLabelText("Password"), "secret words");
    await person.click(screen.getByRole("button", { name: "log in" }));

    await waitFor(() => expect(asked[0]?.body).toEqual({ name: "vane", password: "secret words" }));
  });

  it("says what the server refused and keeps what was typed", async () => {
    answers.push({
      match: /POST/,
      status: 401,
      body: { title: "Name and password do not match.", errors: [] },
    });
    const person = userEvent.setup();
    show(<LoginPage setup={false} />);
    await person.type(screen.getByLabelText("Login name"), "vane");
    await person.type(screen.getByLabelText("Password"), "wrong");
    await person.click(screen.getByRole("button", { name: "log in" }));

    await waitFor(() =>
      expect(screen.getByRole("alert").textContent).toBe("Name and password do not match."),
    );
    expect(screen.getByLabelText("Login name")).toHaveProperty("value", "vane");
  });

  it("makes the owner's account at the first visit", () => {
    show(<LoginPage setup={true} />);
    expect(screen.getByText("This is the first visit. Make the owner's account.")).toBeTruthy();
    expect(screen.getByLabelText("Your name, as it stands on papers")).toBeTruthy();
  });

  it("says that the clerk cannot be reached", async () => {
    const person = userEvent.setup();
    show(<LoginPage setup={false} />);
    await person.type(screen.getByLabelText("Login name"), "vane");
    await person.type(screen.getByLabelText("Password"), "x");
    await person.click(screen.getByRole("button", { name: "log in" }));

    await waitFor(() => expect(screen.getByRole("alert").textContent).toContain("cannot be reached"));
  });
});

describe("the day book", () => {
  it("says the next step when it is empty", async () => {
    answers.push(
      { match: /day-book$/, body: [] },
      { match: /campaigns$/, body: [] },
      { match: /regions/, body: [] },
      { match: /session/, body: {} },
    );
    show(<DayBookPage />);
    await waitFor(() => expect(screen.getByText("No jobs yet. Open the first one below.")).toBeTruthy());
  });

  it("lists jobs with their boxes", async () => {
    const job = {
      id: "1",
      name: "Sluice Cottage",
      place: "Weir Row",
      regionLabel: "Europe, 230 V",
      contact: "",
      today: false,
      boxes: 1,
      state: "ON_SITE",
      stateLabel: "on site",
      nextStage: "FIT",
      next: "fit: 1 of 1 boxes are issued and wait",
      blocks: ["1 test failed and is not mended"],
    };
    answers.push(
      { match: /day-book$/, body: [job] },
      { match: /campaigns$/, body: [] },
      { match: /regions/, body: [] },
      { match: /session/, body: {} },
    );
    show(<DayBookPage />);
    const link = await screen.findByRole("link", { name: /Sluice Cottage/ });
    expect(link.getAttribute("href")).toBe("/jobs/1");
    expect(screen.getByText(/1 box$/)).toBeTruthy();
    expect(screen.getByRole("link", { name: /fit: 1 of 1/ }).getAttribute("href")).toBe("/jobs/1/day");
    expect(screen.getByText("1 test failed and is not mended")).toBeTruthy();
    expect(screen.getByRole("region", { name: "On site" })).toBeTruthy();
  });
});

describe("a failure", () => {
  it("names place, found and expected of every error", () => {
    const problem = new ApiProblem(422, "Not like this", [{ pointer: "/a", found: "b", expected: "c" }]);
    render(<Failure error={problem} />);
    expect(screen.getByRole("alert").textContent).toBe("Not like thisa: “b” was found, expected: c.");
  });

  it("names places as people do, never by a path of the document", () => {
    expect(placeOf("/survey/loads/0/typed")).toBe("load 1, typed");
    expect(placeOf("/cables/2/cores/1/colour")).toBe("cable 3, core 2, colour");
    expect(placeOf("/ratingAmps")).toBe("rating amps");
    expect(placeOf("")).toBe("");
  });

  it("offers a way on", async () => {
    const retry = vi.fn();
    render(<Failure error={new NoConnection()} onRetry={retry} />);
    await userEvent.setup().click(screen.getByRole("button", { name: "try again" }));
    expect(retry).toHaveBeenCalledOnce();
  });
});

describe("figures", () => {
  it("stand with their unit and a thin space", () => {
    expect(withUnit(42, "W")).toBe("42\u2009W");
    expect(withUnit(2, "")).toBe("2");
  });

  it("give the time today and the day before that", () => {
    const now = new Date(2026, 2, 2, 12, 0);
    expect(moment(new Date(2026, 2, 2, 9, 41).toISOString(), now)).toBe("09:41");
    expect(moment(new Date(2026, 1, 28, 9, 41).toISOString(), now)).toContain("28 Feb");
  });
});
