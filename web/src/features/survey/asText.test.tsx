import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { answers, asked, forget } from "../../testing/server";
import { AsText } from "./AsText";
import { newSurvey } from "./draft";

afterEach(() => {
  cleanup();
  forget();
});

it("shows the box as lines, tells mistakes at their place, and takes what can be read", async () => {
  const survey = newSurvey("B-31", "c4");
  const read = { ...survey, label: "B-32" };
  const changed = vi.fn();
  answers.push({ match: /POST .*box-text\/write/, body: { text: "box B-31 wall 60x60x61\n" } });
  render(
    <QueryClientProvider client={new QueryClient()}>
      <AsText job="j1" survey={survey} onChange={changed} />
    </QueryClientProvider>,
  );
  const person = userEvent.setup();
  await person.click(screen.getByRole("button", { name: "as text" }));
  const lines = await screen.findByLabelText<HTMLTextAreaElement>("The box as text");
  expect(lines.value).toBe("box B-31 wall 60x60x61\n");

  answers.push({
    match: /POST .*box-text\/read/,
    body: { problems: [{ line: 2, column: 10, found: "sideways", expected: "a mechanism" }] },
  });
  await person.type(lines, "switch 1 sideways");
  await person.click(screen.getByRole("button", { name: "read the lines" }));
  expect(await screen.findByText(/line 2, column 10/)).toBeTruthy();
  expect(changed).not.toHaveBeenCalled();
  expect(lines.value).toContain("sideways");

  answers.splice(1, 1, { match: /POST .*box-text\/read/, body: { survey: read, problems: [] } });
  await person.type(lines, "{Control>}{Enter}{/Control}");
  expect(await screen.findByRole("button", { name: "as text" })).toBeTruthy();
  expect(changed).toHaveBeenCalledWith(read);
  expect(asked.at(-1)?.url).toContain("/jobs/j1/box-text/read");
});
