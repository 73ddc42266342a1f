import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/transport";
import { Stamp } from "../../ui/Stamp";
import { Figures } from "./Figures";
import { LiveControls } from "./LiveControls";
import { PlanPapers } from "./PlanPapers";
import { StateStrip } from "./StateStrip";
import type { Row } from "./states";
import { WiringDrawing } from "./WiringDrawing";
import { Insulation } from "./Insulation";
import { roundedPath, WIRE_INK } from "./wires";

const row = (position: number): Row => ({
  switches: { S1: position },
  channels: {},
  loads: { X1: { volts: position * 230, state: position ? "ON" : "OFF" } },
  modules: {},
  shorts: [],
  live: position ? ["g1.COM", "g1.L1"] : ["g1.COM"],
  amps: {},
});

const wiring: Schemas["DrawnWiring"] = {
  rows: [row(0), row(1)],
  steps: [0, 1].map((position) => ({ positions: { S1: position }, after: { S1: { S1: 1 - position } } })),
  drawing: {
    width: 400,
    height: 300,
    boxes: [{ label: "", frame: { x: 100, y: 20, width: 200, height: 260 } }],
    trunks: [],
    devices: [
      {
        kind: "MECHANISM",
        partId: "S1",
        label: "Shelf lamps",
        detail: "one-way",
        shape: "NONE",
        contacts: [[], [{ from: "COM", to: "L1" }]],
        frame: { x: 120, y: 40, width: 100, height: 66 },
        ports: [{ name: "COM", node: "g1.COM", x: 140, y: 106, width: 16 }],
      },
    ],
    cables: [{ name: "c1", label: "circuit 4", left: true, frame: { x: 30, y: 150, width: 26, height: 40 } }],
    wires: [
      {
        key: "c1.1",
        colour: "BROWN",
        letters: "BN",
        node: "g1.COM",
        words: "brown of c1, permanent live",
        change: "MOVED",
        tag: { x: 80, y: 160 },
        points: [
          { x: 56, y: 160 },
          { x: 140, y: 160 },
          { x: 140, y: 106 },
        ],
      },
      {
        key: "c2.1",
        colour: "BLACK",
        letters: "BK",
        node: "g1.L1",
        words: "black of c2, switched live",
        change: "NONE",
        tag: { x: 320, y: 180 },
        points: [
          { x: 344, y: 180 },
          { x: 180, y: 180 },
          { x: 180, y: 106 },
        ],
      },
    ],
    loads: [{ partIds: ["X1"], label: "shelf", detail: "3x2 LED 7", shape: "LAMP", x: 370, y: 180 }],
  },
};

afterEach(cleanup);

describe("the drawing", () => {
  it("draws a contact open at 0 and closed at 1", () => {
    const device = wiring.drawing.devices[0];
    const both = {
      ...wiring,
      drawing: {
        ...wiring.drawing,
        devices: device
          ? [
              {
                ...device,
                ports: [...device.ports, { name: "L1", node: "g1.L1", x: 180, y: 106, width: 16 }],
              },
            ]
          : [],
      },
    };
    const { container, rerender } = render(<WiringDrawing wiring={both} at={{ S1: 0 }} />);
    expect(container.querySelectorAll("[data-contact='open']")).toHaveLength(1);
    rerender(<WiringDrawing wiring={both} at={{ S1: 1 }} />);
    expect(container.querySelectorAll("[data-contact='closed']")).toHaveLength(1);
  });

  it("carries letters on every conductor, so that colour is never the only carrier", () => {
    render(<WiringDrawing wiring={wiring} />);
    expect(screen.getByText("BN›"), "moved by the plan").toBeTruthy();
    expect(screen.getByText("BK")).toBeTruthy();
    expect(screen.getByText("brown of c1, permanent live")).toBeTruthy();
  });

  it("gives white an edge and green-yellow its stripes, so that both are seen on paper", () => {
    const white = render(
      <svg aria-hidden>
        <Insulation way="M0 0L9 0" colour="WHITE" width={3} />
      </svg>,
    ).container;
    expect([...white.querySelectorAll("path")].map((path) => path.getAttribute("stroke"))).toEqual([
      "var(--edge)",
      WIRE_INK.WHITE,
    ]);
    cleanup();
    const earth = render(
      <svg aria-hidden>
        <Insulation way="M0 0L9 0" colour="GREEN_YELLOW" width={3} />
      </svg>,
    ).container;
    expect(earth.querySelectorAll("path[stroke-dasharray]")).toHaveLength(1);
  });

  it("is not energised until it is given a state", () => {
    const { container } = render(<WiringDrawing wiring={wiring} />);
    expect(container.querySelectorAll("[data-live='true']")).toHaveLength(0);
    expect(screen.queryByRole("button")).toBeNull();
  });

  it("shows what is live and lit in a state", () => {
    const { container, rerender } = render(<WiringDrawing wiring={wiring} at={{}} onOperate={() => {}} />);
    expect(container.querySelectorAll("[data-live='true']")).toHaveLength(1);
    expect(container.querySelector("[data-load='X1']")?.getAttribute("data-state")).toBe("off");

    rerender(<WiringDrawing wiring={wiring} at={{ S1: 1 }} onOperate={() => {}} />);
    expect(container.querySelectorAll("[data-live='true']")).toHaveLength(2);
    expect(container.querySelector("[data-load='X1']")?.getAttribute("data-state")).toBe("on");
  });

  it("is operated by pointer and by key", async () => {
    const operate = vi.fn();
    const person = userEvent.setup();
    render(<WiringDrawing wiring={wiring} at={{}} onOperate={operate} />);
    const rocker = screen.getByRole("button", { name: "operate Shelf lamps, now at 0" });

    await person.click(rocker);
    rocker.focus();
    await person.keyboard("{Enter} ");

    expect(operate.mock.calls).toEqual([["S1"], ["S1"], ["S1"]]);
  });

  it("has an ink for every colour of insulation", () => {
    expect(new Set(Object.values(WIRE_INK)).size).toBeGreaterThanOrEqual(11);
  });

  it("rounds corners without leaving its way", () => {
    expect(
      roundedPath(
        [
          { x: 0, y: 0 },
          { x: 10, y: 0 },
          { x: 10, y: 20 },
        ],
        4,
      ),
    ).toBe("M0 0L6 0Q10 0 10 4L10 20");
  });
});

describe("the state strip", () => {
  it("has a square for each state, says it in words and walks by arrow", async () => {
    const go = vi.fn();
    render(<StateStrip rows={wiring.rows} at={{}} onGo={go} findings={[]} names={{ X1: "shelf" }} />);

    expect(screen.getByText("state 1 of 2")).toBeTruthy();
    expect(screen.getByRole("button", { name: "state 2: S1 at 1, shelf on 230\u2009V" })).toBeTruthy();
    await userEvent.setup().keyboard("{ArrowRight}");
    expect(go).toHaveBeenCalledWith({ S1: 1 });
  });

  it("tells which supplies meet in a shorted state", () => {
    const shorted: Row = { ...row(1), loads: {}, shorts: [["F1", "N1"]] };
    render(
      <StateStrip
        rows={[row(0), shorted]}
        at={{ S1: 1 }}
        onGo={() => {}}
        findings={[]}
        names={{ X1: "shelf" }}
      />,
    );
    expect(screen.getByText("F1 and N1 meet")).toBeTruthy();
  });
});

describe("the stamp", () => {
  it.each([
    ["OK", "PROVED"],
    ["HOLD", "HOLD"],
    ["STOP", "STOP"],
  ] as const)("says %s as %s", (verdict, word) => {
    render(<Stamp verdict={verdict} line="16 of 16 states" />);
    expect(screen.getByRole("status").textContent).toContain(word);
    expect(screen.getByRole("status").textContent).not.toMatch(/safe/i);
  });
});

describe("the controls of a live drawing", () => {
  const moving: Schemas["DrawnWiring"] = {
    ...wiring,
    rows: [{ ...row(0), channels: { "K1/1": 1 } }],
    steps: [
      {
        positions: { S1: 0, "K1/1": 1 },
        after: { "K1/1": { S1: 0, "K1/1": 0 }, "supply blink": { S1: 0, "K1/1": 0 } },
      },
    ],
  };

  it("sends a remote command, breaks the supply, and takes a circuit off with its relays open", async () => {
    const go = vi.fn();
    const off = vi.fn();
    render(
      <LiveControls
        wiring={moving}
        names={{ K1: "SK-1" }}
        circuits={["4"]}
        off={[]}
        at={{ "K1/1": 1 }}
        onGo={go}
        onOff={off}
        figures={false}
        onFigures={() => {}}
      />,
    );
    const person = userEvent.setup();

    await person.click(screen.getByRole("button", { name: "remote off, SK-1" }));
    await person.click(screen.getByRole("button", { name: "blink the supply" }));
    await person.click(screen.getByRole("button", { name: "circuit 4 off" }));

    expect(go.mock.calls).toEqual([[{ S1: 0, "K1/1": 0 }], [{ S1: 0, "K1/1": 0 }], [{ "K1/1": 0 }]]);
    expect(off).toHaveBeenCalledWith(["4"]);
  });

  it("gives volts and amperes with their units", () => {
    const carrying = { ...wiring, rows: [{ ...row(1), amps: { "c1.1": 0.203 } }] };
    render(<Figures wiring={carrying} names={{ X1: "shelf" }} at={{ S1: 1 }} />);
    expect(screen.getAllByRole("row").map((r) => r.textContent)).toEqual([
      "LoadStateAcross it",
      "shelfon230\u2009V",
      "ConductorCarries",
      "brown of c1, permanent live0.203\u2009A",
    ]);
  });
});

describe("the papers of a plan", () => {
  const place: Schemas["Papers"] = {
    place: "B-01",
    kind: "wall box",
    terminals: [{ device: "SK-1", terminal: "L", holds: [] }],
    found: [
      {
        device: "Shelf lamps",
        terminal: "COM",
        holds: [{ key: "c1.1", colour: "BROWN", words: "brown of c1" }],
      },
      { device: "Shelf lamps", terminal: "L1", holds: [] },
    ],
    moves: [{ kind: "MOVE_LIVE", conductor: "c1.1", colour: "BROWN", words: "Move brown of c1." }],
    restore: [{ kind: "MOVE_LIVE", conductor: "c1.1", colour: "BROWN", words: "Move brown of c1 back." }],
    labels: [{ core: "brown of c1", wasOn: "gang 1, COM", goesTo: "module 1, L" }],
    pieces: [],
    caps: [{ core: "black of c2", otherEnd: "B-02", label: "spare" }],
    sleeves: [{ core: "blue of c2", colour: "BROWN", role: "SWITCHED_LIVE" }],
  };
  const plan = {
    places: [place],
    cautions: ["A switch input is at mains potential."],
    parts: [{ count: 1, what: "SK-1" }],
    tools: ["labels and a pen"],
    cutList: [{ count: 2, colour: "BROWN", mm2: 1.5, lengthMm: 130 }],
    after: wiring,
  } as unknown as Schemas["PlanView"];

  it("say of every terminal as found what it holds, or that it is free", () => {
    render(<PlanPapers plan={plan} view="before" />);
    expect(screen.getAllByRole("row").map((r) => r.textContent)).toEqual([
      "WhereTerminalHolds",
      "Shelf lampsCOMbrown of c1",
      "Shelf lampsL1leave free",
    ]);
  });

  it("give labels, moves, caps, sleeves, cautions and the cut list", () => {
    render(<PlanPapers plan={plan} view="after" />);
    for (const text of [
      "brown of c1: was on gang 1, COM, goes to module 1, L",
      "Move brown of c1.",
      "black of c2, labelled “spare”; its other end is at B-02",
      "blue of c2: brown sleeve, it is a switched live now",
      "A switch input is at mains potential.",
    ]) {
      expect(screen.getByText(text)).toBeTruthy();
    }
    expect(screen.getByRole("row", { name: "2 brown 1.5\u2009mm² 130\u2009mm" })).toBeTruthy();
  });

  it("lead back on the restore sheet", () => {
    render(<PlanPapers plan={plan} view="restore" />);
    expect(screen.getByText("Move brown of c1 back.")).toBeTruthy();
    expect(screen.queryByText("Write on the cores first")).toBeNull();
  });
});
