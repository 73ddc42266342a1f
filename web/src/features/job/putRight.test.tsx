import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { afterEach, describe, expect, it } from "vitest";
import { job } from "../../testing";
import { answers, asked, forget } from "../../testing/server";
import { Circuits } from "./Circuits";
import { Rooms } from "./Rooms";

function at(children: React.ReactNode) {
  answers.push({ match: /circuit-sums/, body: [] });
  return render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>{children}</MemoryRouter>
    </QueryClientProvider>,
  );
}

afterEach(() => {
  cleanup();
  forget();
});

describe("what was entered of a house", () => {
  it("is changed with everything that was known of it, on the version that was seen", async () => {
    const person = userEvent.setup();
    answers.push({ match: /PUT .*circuits\/c4/, status: 204 });
    at(<Circuits job={job()} />);
    await person.click(screen.getByRole("button", { name: "change circuit 4" }));
    await person.clear(screen.getByLabelText("Rating, A"));
    await person.type(screen.getByLabelText("Rating, A"), "16");
    await person.click(screen.getByRole("button", { name: "keep" }));

    await waitFor(() =>
      expect(asked.find(({ method }) => method === "PUT")?.body).toEqual({
        version: 0,
        circuit: { label: "4", ratingAmps: 16, phase: "L1", alternativelySupplied: true, device: "BREAKER" },
      }),
    );
    await waitFor(() => expect(screen.getByRole("button", { name: "add circuit" })).toBeTruthy());
  });

  it("asks the volts of an extra-low-voltage circuit, and of no other", async () => {
    const person = userEvent.setup();
    at(<Circuits job={job()} />);
    expect(screen.queryByLabelText("Its volts, V")).toBeNull();
    await person.selectOptions(screen.getByLabelText("Phase"), "ELV_PLUS");
    expect(screen.getByLabelText("Its volts, V")).toHaveProperty("value", "24");
  });

  it("goes from the house only where nothing is in it", async () => {
    const person = userEvent.setup();
    answers.push({ match: /DELETE .*rooms\/cellar/, status: 204 });
    const rooms = [...job().rooms, { id: "cellar", version: 3, name: "Cellar", storey: "Below" }];
    at(<Rooms job={job({ rooms })} />);
    expect(screen.queryByRole("button", { name: "take Pantry away" })).toBeNull();
    await person.click(screen.getByRole("button", { name: "take Cellar away" }));
    await waitFor(() => expect(asked.some(({ url }) => url.includes("rooms/cellar?version=3"))).toBe(true));
  });
});
