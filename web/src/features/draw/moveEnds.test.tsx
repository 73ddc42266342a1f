import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, expect, it } from "vitest";
import type { Schemas } from "../../api/transport";
import { MoveEnds } from "./MoveEnds";

const ends: Schemas["PlaceEnds"][] = [
  {
    place: "B-01",
    movable: [
      { wire: "c2.1", secondEnd: false, words: "black of c2", at: "m1.O1" },
      { wire: "w1", secondEnd: false, words: "jumper to module 1, S1", at: "g1.L1" },
      { wire: "w1", secondEnd: true, words: "jumper from gang 1, L1", at: "m1.S1" },
    ],
    choices: [
      { key: "m1.O1", words: "module 1, O1" },
      { key: "m1.L", words: "module 1, L" },
      { key: "m1.S1", words: "module 1, S1" },
      { key: "g1.L1", words: "gang 1, L1" },
    ],
  },
];

let tried: Schemas["EndMove"][] = [];

function Tried() {
  const [moves, setMoves] = useState<Schemas["EndMove"][]>([]);
  tried = moves;
  return <MoveEnds ends={ends} moves={moves} onMoves={setMoves} />;
}

afterEach(cleanup);

it("puts an end elsewhere, says so, and takes it back", async () => {
  render(<Tried />);
  const person = userEvent.setup();

  await person.selectOptions(screen.getByLabelText("conductor"), "black of c2, module 1, O1");
  await person.selectOptions(screen.getByLabelText("put it on"), "module 1, L");

  expect(tried).toEqual([{ wire: "c2.1", secondEnd: false, to: "m1.L" }]);
  expect(screen.getByText("black of c2 to module 1, L")).toBeTruthy();
  expect(screen.getByRole("option", { name: "black of c2, module 1, L" })).toBeTruthy();

  await person.click(screen.getByRole("button", { name: "take the last back" }));
  expect(tried).toEqual([]);
});

it("tells the two ends of a jumper apart and offers no place where the end is already", async () => {
  render(<Tried />);
  const person = userEvent.setup();

  await person.selectOptions(screen.getByLabelText("conductor"), "jumper from gang 1, L1, module 1, S1");
  const place = screen.getByLabelText<HTMLSelectElement>("put it on");
  expect([...place.options].map((o) => o.value)).not.toContain("m1.S1");
  await person.selectOptions(place, "module 1, O1");
  await person.selectOptions(screen.getByLabelText("conductor"), "jumper to module 1, S1, gang 1, L1");
  await person.selectOptions(screen.getByLabelText("put it on"), "module 1, L");

  expect(tried.map((m) => m.secondEnd)).toEqual([true, false]);
  await person.click(screen.getByRole("button", { name: "back to the plan" }));
  expect(tried).toEqual([]);
});
