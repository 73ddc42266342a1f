import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, expect, it } from "vitest";
import { job } from "../../testing";
import { answers, asked, forget } from "../../testing/server";
import { newSurvey, type Survey } from "./draft";
import { EndChoice } from "./EndChoice";
import { ModulesInPlace } from "./ModulesInPlace";

afterEach(() => {
  cleanup();
  forget();
});

function Box({ onChange }: { onChange: (survey: Survey) => void }) {
  const [survey, setSurvey] = useState(newSurvey("B-31", "c4"));
  const set = (to: Survey) => {
    setSurvey(to);
    onChange(to);
  };
  return <ModulesInPlace job={job()} survey={survey} onChange={set} />;
}

it("takes the size of a module that the stock book knows, and forgets an empty list", async () => {
  const document = {
    code: "SK-2",
    name: "two channels",
    lengthMm: 40,
    widthMm: 36,
    thicknessMm: 14,
    terminals: [],
  };
  answers.push({ match: /\/stock$/, body: { modules: [{ document }], accessories: [] } });
  let kept = newSurvey("B-31", "c4");
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Box
        onChange={(survey) => {
          kept = survey;
        }}
      />
    </QueryClientProvider>,
  );
  const person = userEvent.setup();
  await waitFor(() => expect(asked.some((each) => each.url.endsWith("/stock"))).toBe(true));

  await person.click(screen.getByRole("button", { name: "add a module that is in it" }));
  await person.type(screen.getByLabelText("What stands on it"), "SK-2");
  await person.selectOptions(screen.getByLabelText("Free channels"), "1");

  const outside = { lengthMm: 40, widthMm: 36, thicknessMm: 14 };
  expect(kept.modules).toEqual([{ name: "SK-2", outside, freeChannels: 1 }]);
  expect(screen.getByLabelText<HTMLInputElement>(/^Thick/).value).toBe("14");

  await person.click(screen.getByRole("button", { name: "take SK-2 off the list" }));
  expect(kept.modules).toBeUndefined();
});

it("lets a conductor end on a module that the stock book knows", async () => {
  const document = { code: "SK-2", name: "two channels", terminals: [{ name: "L" }, { name: "O1" }] };
  answers.push({ match: /\/stock$/, body: { modules: [{ document }], accessories: [] } });
  const survey: Survey = {
    ...newSurvey("B-31", "c4"),
    modules: [
      { name: "somebody else's", freeChannels: 0 },
      { name: "SK-2", freeChannels: 0 },
    ],
  };
  const chosen: unknown[] = [];
  render(
    <QueryClientProvider client={new QueryClient()}>
      <EndChoice
        job={job()}
        label="end"
        survey={survey}
        value={{ at: "LOOSE" }}
        onChange={(end) => chosen.push(end)}
      />
    </QueryClientProvider>,
  );

  await userEvent
    .setup()
    .selectOptions(await screen.findByLabelText("end"), await screen.findByText("SK-2, O1"));

  expect(chosen).toEqual([{ at: "MODULE", module: 2, terminal: "O1" }]);
  expect(screen.queryByText(/somebody else's,/)).toBeNull();
});
