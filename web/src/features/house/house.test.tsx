import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/transport";
import { job } from "../../testing";
import { ChoicePlates } from "./ChoicePlates";
import { RoomsPlan } from "./RoomsPlan";

afterEach(cleanup);

const unit = (id: string, box: string): Schemas["UnitView"] => ({
  unit: id,
  words: `${id}, shelf lamps`,
  box,
  label: box,
  boxes: [box],
});
const chosen: Schemas["ChosenView"] = {
  units: ["u1"],
  lead: "b1",
  label: "B-01",
  gangs: [1],
  loads: [],
  scheme: "BEHIND_SWITCH_N",
  schemeLabel: "Behind the switch, with neutral",
  module: "QQ-1",
  maker: "Quern",
  protocol: "Zigbee",
  modules: 1,
  minutes: 30,
  opened: 1,
};
const outcome: Schemas["Outcome"] = {
  units: [unit("u1", "b1"), unit("u2", "b2")],
  chosen: [chosen],
  open: ["u2"],
  terms: [],
  total: 10,
  gap: 0,
  optimal: true,
  modules: { "QQ-1": 1 },
  boxesOpened: 1,
  standbyWatts: 0.6,
  standbyUnknown: 0,
  radio: [],
  brokenPins: [],
  mute: [],
};
const choice: Schemas["ChoiceEntry"] = {
  id: "c1",
  name: "Choice 1",
  state: "DONE",
  words: "done",
  who: "A. Mead",
  when: "2026-11-25T10:00:00Z",
  outcome,
  pins: [],
  stale: false,
};

describe("the plates of a choice", () => {
  const show = (pins: Schemas["PinEntry"][], onUnpin = () => {}) =>
    render(
      <QueryClientProvider client={new QueryClient()}>
        <MemoryRouter>
          <ChoicePlates
            job={job()}
            choice={choice}
            outcome={outcome}
            pins={pins}
            onPin={() => {}}
            onUnpin={onUnpin}
          />
        </MemoryRouter>
      </QueryClientProvider>,
    );

  it("show what each position gets, room by room, and what gets none", () => {
    show([]);

    expect(screen.getByText("Quern")).toBeTruthy();
    const plates = screen.getAllByRole("listitem").filter((item) => item.dataset.unit);
    expect(plates).toHaveLength(2);
    expect(within(plates[0] as HTMLElement).getByText("QQ-1")).toBeTruthy();
    expect(within(plates[1] as HTMLElement).getByText("no module")).toBeTruthy();
  });

  it("can be unpinned", async () => {
    const unpin = vi.fn();
    show([{ unit: "u1", module: "QQ-1" }], unpin);

    await userEvent.setup().click(screen.getByRole("button", { name: "pinned: QQ-1, unpin" }));
    expect(unpin).toHaveBeenCalledWith("u1");
  });
});

describe("the plan of the rooms", () => {
  it("draws each storey and says so when nothing is placed", () => {
    const { rerender } = render(<RoomsPlan job={job()} rooms={[]} anchors={[]} />);
    expect(screen.getByText(/No room is placed yet/)).toBeTruthy();

    rerender(
      <RoomsPlan
        job={job()}
        rooms={[
          { room: "pantry", storey: 0, x: 0, y: 0, width: 6, depth: 4, walls: "BRICK" },
          { room: "attic", storey: 1, x: 0, y: 0, width: 1, depth: 4, walls: "WOOD" },
        ]}
        anchors={[{ name: "coordinator", protocol: "ZIGBEE", room: "pantry" }]}
      />,
    );
    expect(screen.getByRole("img", { name: "plan of Ground floor" })).toBeTruthy();
    expect(screen.getByText("coordinator")).toBeTruthy();
    expect(screen.getByText("A…")).toBeTruthy();
  });
});
