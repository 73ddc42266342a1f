import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Route, Routes, useLocation } from "react-router";
import { afterEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { job } from "../../testing";
import { answers, asked, forget } from "../../testing/server";
import { SketchSheet } from "./SketchSheet";

const ends: Schemas["CircuitShapeView"]["places"] = [
  { key: "A", kind: "WALL", words: "first switch" },
  { key: "B", kind: "WALL", words: "last switch" },
];
const [first, last] = ends as [(typeof ends)[number], (typeof ends)[number]];

const through: Schemas["CircuitShapeView"] = {
  shape: "TWO_WAY_THROUGH",
  words: "two switches, feed at the first, lamp from the last",
  places: ends,
  placesByBetween: [ends, [first, { key: "I1", kind: "WALL", words: "switch between, 1" }, last]],
  cables: [{ from: "A", to: "B" }],
  fedAt: ["A"],
  loadsAt: ["B"],
  mostBetween: 4,
  leastLoads: 1,
  mostLoads: 1,
  neutralMayLack: true,
};

function Address() {
  return <output>{useLocation().pathname}</output>;
}

function sheet() {
  answers.push({ match: /circuit-shapes/, body: [through] });
  answers.push({ match: /loads\/read/, body: { words: "2 × LED lamp 9 W", totalWatts: 18, taken: [] } });
  answers.push({ match: /loads\/kinds/, body: [{ word: "led", kind: "LED lamp" }] });
  answers.push({ match: /POST .*circuit-sketch/, status: 201, body: { boxes: ["new-1", "new-2", "new-3"] } });
  Element.prototype.scrollIntoView ??= () => {};
  return render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter initialEntries={["/jobs/job/sketch?room=attic"]}>
        <Routes>
          <Route path="/jobs/:job/sketch" element={<SketchSheet job={job()} />} />
          <Route path="*" element={<Address />} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

afterEach(() => {
  cleanup();
  forget();
});

describe("a circuit that is told", () => {
  it("is sent with a place for each of its boxes, and leads to the first of them", async () => {
    const person = userEvent.setup();
    sheet();
    await person.click(await screen.findByRole("radio", { name: through.words }));
    expect(screen.getByRole("button", { name: "fill 2 boxes" })).toHaveProperty("disabled", true);
    await person.type(screen.getByLabelText("What it is"), "2x9 LED");
    await person.selectOptions(screen.getByLabelText("Switches between"), "1");
    await person.selectOptions(screen.getByLabelText("Box, first switch"), "b1");
    await person.click(screen.getByRole("button", { name: "fill 3 boxes" }));

    await waitFor(() => expect(screen.getByText("/jobs/job/boxes/new-1/survey")).toBeTruthy());
    const sent = asked.find((request) => request.method === "POST")?.body as Schemas["CircuitWish"];
    expect(sent.places.map((place) => place.box ?? place.room)).toEqual(["b1", "attic", "attic"]);
    expect(new Set(sent.places.map((place) => place.label)).size).toBe(3);
    expect(sent.loads).toEqual([{ name: "lamp", typed: "2x9 LED" }]);
    expect(sent).toMatchObject({ between: 1, neutral: true, circuit: "c4" });
  });
});
