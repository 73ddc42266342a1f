import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { afterEach, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { finding } from "../../testing";
import { answers, asked, forget } from "../../testing/server";
import { RemedyButton } from "./RemedyButton";

afterEach(() => {
  cleanup();
  forget();
});

const plan = {
  version: 7,
  picks: [{ moduleCode: "QQ-1", gangs: [1], behaviours: {} }],
} as unknown as Schemas["PlanView"];

const show = (kind: Schemas["RemedyView"]["kind"], subject: string, best?: string, model?: string) =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <RemedyButton
          job="j"
          box="b1"
          plan={plan}
          finding={finding({ code: "BOX_TOO_SHALLOW", subject, ...(model ? { model } : {}) })}
          remedy={{ kind, text: "what to do" }}
          best={best}
          onPickBest={() => {}}
          onAtLamp={undefined}
        />
      </MemoryRouter>
    </QueryClientProvider>,
  );

it("plans a spacer for the finding as it was seen, and says why when none will do", async () => {
  answers.push({
    match: /POST .*\/plan\/mend$/,
    status: 422,
    body: { title: "Nothing in the stock book mends it", errors: [] },
  });
  show("DEEPER_BOX", "B-07");
  await userEvent.setup().click(screen.getByRole("button", { name: "plan a spacer" }));

  expect(asked[0]?.body).toEqual({
    version: 7,
    code: "BOX_TOO_SHALLOW",
    subject: "B-07",
    kind: "DEEPER_BOX",
  });
  expect(await screen.findByText(/Nothing in the stock book mends it/)).toBeTruthy();
});

it("leads to the book for what a maker says, and to the survey for what a box shows", () => {
  show("FIND_OUT", "model QQ-1", undefined, "QQ-1");
  expect(screen.getByRole("link", { name: /stock book/ }).getAttribute("href")).toBe("/stock?module=QQ-1");
  cleanup();
  show("FIND_OUT", "B-07");
  expect(screen.getByRole("link", { name: /survey/ }).getAttribute("href")).toBe("/jobs/j/boxes/b1/survey");
});

it("is no button where there is nothing to press", () => {
  show("OTHER_MODULE", "QQ-1");
  expect(screen.queryByRole("button")).toBeNull();
  cleanup();
  show("OTHER_MODULE", "QQ-1", "ZZ-2");
  expect(screen.getByRole("button", { name: "what to do: pick ZZ-2" })).toBeTruthy();
});
