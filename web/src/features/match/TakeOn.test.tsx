import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { finding } from "../../testing";
import { answers, asked, forget } from "../../testing/server";
import { show } from "../../testing/show";
import { RoomPicture } from "./RoomPicture";
import { TakeOn } from "./TakeOn";

afterEach(() => {
  cleanup();
  forget();
});

const held = finding({ code: "RATING_UNKNOWN", severity: "HOLD", subject: "K1/1" });
const showHeld = (accepted: Schemas["AcceptedView"][], shown = held) =>
  show(<TakeOn job="j" box="b1" plan={{ accepted } as unknown as Schemas["PlanView"]} finding={shown} />);
const taken: Schemas["AcceptedView"] = {
  id: "a1",
  code: "RATING_UNKNOWN",
  subject: held.subject,
  facts: held.facts,
  finding: held.reason,
  reason: "the maker says 200 W",
  who: "A. Mead",
  when: "2026-11-25T10:00:00Z",
  stillSo: true,
};

describe("what holds a plan back", () => {
  it("is a lead's to take on, not a fitter's", async () => {
    answers.push({ match: /GET .*\/session$/, body: { loggedIn: true, role: "FITTER" } });
    showHeld([]);
    await waitFor(() => expect(screen.queryByRole("button")).toBeNull());
    cleanup();
    showHeld([taken]);
    await screen.findByText(/Taken on by A\. Mead/);
    await waitFor(() => expect(screen.queryByRole("button", { name: "hold it back again" })).toBeNull());
  });

  it("is taken on with a reason", async () => {
    answers.push({ match: /POST .*\/plan\/accepted$/, body: {} });
    showHeld([]);
    const person = userEvent.setup();
    await person.click(screen.getByRole("button", { name: "take it on, with a reason" }));
    await person.type(screen.getByLabelText("Why this may be done all the same"), "asked the maker today");
    await person.click(screen.getByRole("button", { name: "take it on" }));

    expect(asked.find((a) => a.method === "POST")?.body).toEqual({
      code: "RATING_UNKNOWN",
      subject: "K1/1",
      facts: held.facts,
      reason: "asked the maker today",
    });
  });

  it("says who took it on, and can be held back again", async () => {
    answers.push({ match: /DELETE .*\/plan\/accepted\/a1$/, body: {} });
    showHeld([taken]);

    expect(screen.getByText(/Taken on by A. Mead.*the maker says 200 W/)).toBeTruthy();
    await userEvent.setup().click(screen.getByRole("button", { name: "hold it back again" }));
    expect(asked.some((a) => a.method === "DELETE")).toBe(true);
  });

  it("must be looked at again when its numbers changed", () => {
    showHeld([{ ...taken, stillSo: false }]);
    expect(screen.getByRole("button", { name: "take it on, with a reason" })).toBeTruthy();
  });

  it("is never offered for what stops", () => {
    showHeld([], finding({ severity: "STOP" }));
    expect(screen.queryByRole("button")).toBeNull();
  });
});

describe("the picture of the room", () => {
  const lying = { x: 9, y: 11.5, width: 42, height: 37, from: 22, to: 38, beside: false };

  it("draws round boxes as the server gives them, and says where the module lies", () => {
    const { container } = render(
      <RoomPicture
        room={{ neededMm: 43, rounds: [{ x: 30, y: 30, radius: 30 }], lying: [lying] }}
        inside={{ widthMm: 60, heightMm: 60 }}
      />,
    );
    expect(container.querySelectorAll("circle")).toHaveLength(1);
    expect(
      screen.getByRole("img", { name: "where it lies: behind the mechanism, from 22 to 38 mm deep" }),
    ).toBeTruthy();
  });

  it("draws straight sides where there are no rounds", () => {
    const { container } = render(
      <RoomPicture
        room={{ neededMm: 27, rounds: [], lying: [{ ...lying, beside: true }] }}
        inside={{ widthMm: 131, heightMm: 60 }}
      />,
    );
    expect(container.querySelectorAll("circle")).toHaveLength(0);
    expect(container.querySelectorAll("rect")).toHaveLength(2);
  });
});
