import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { hanging, layOut } from "./layout";
import { type BoxCable, type BoxDevice, OpenedBox } from "./OpenedBox";

const CABLES: BoxCable[] = [
  {
    name: "c1",
    cores: [
      { id: "c1.1", colour: "BROWN", letters: "BN", words: "brown of c1", at: "g1.COM", note: "live" },
      { id: "c1.2", colour: "BLUE", letters: "BU", words: "blue of c1", at: "nowhere" },
    ],
  },
];
const DEVICES: BoxDevice[] = [
  {
    name: "Switch",
    ends: [
      { key: "g1.COM", label: "COM" },
      { key: "g1.L1", label: "L1" },
    ],
  },
  { name: "connectors", ends: [] },
];

afterEach(cleanup);

describe("the opened box", () => {
  it("lays cores and places out without two on one line", () => {
    const box = layOut(CABLES, DEVICES, 640);
    const lines = box.cables.flatMap((cable) => cable.cores.map((core) => core.y));
    expect(new Set(lines).size).toBe(2);
    expect([...box.ends.keys()]).toEqual(["g1.COM", "g1.L1"]);
    expect(box.devices, "a device without places is left out").toHaveLength(1);
    expect(box.height).toBeGreaterThan(Math.max(...lines, ...box.ends.values()));
  });

  it("is never narrower than can be read", () => {
    expect(layOut(CABLES, DEVICES, 100).width).toBe(330);
    expect(hanging(0, 10, 100, 20)).toBe("M0 10C50 10 50 20 100 20");
  });

  it("takes a core and puts it on a place, by hand and by key", async () => {
    const pick = vi.fn();
    const put = vi.fn();
    const person = userEvent.setup();
    render(
      <OpenedBox
        name="a box"
        cables={CABLES}
        devices={DEVICES}
        picked={["c1.1"]}
        onPick={pick}
        onPut={put}
      />,
    );
    await person.click(screen.getByRole("button", { name: "brown of c1, live" }));
    expect(pick).toHaveBeenCalledWith("c1.1");
    expect(screen.getByRole("button", { name: "brown of c1, live" }).getAttribute("aria-pressed")).toBe(
      "true",
    );
    screen.getByRole("button", { name: "put on Switch, L1" }).focus();
    await person.keyboard("{Enter}");
    expect(put).toHaveBeenCalledWith("g1.L1");
  });

  it("is only a picture where nothing can be pressed", () => {
    render(<OpenedBox name="a box" cables={CABLES} devices={DEVICES} />);
    expect(screen.queryAllByRole("button")).toHaveLength(0);
    expect(screen.getByRole("group", { name: "a box" })).toBeTruthy();
  });
});
