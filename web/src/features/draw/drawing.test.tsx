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
import { WIRE_INK } from "./wires";

const row = (position: number): Row => ({
  switches: { S1: position },
  channels: {},
  loads: { X1: { volts: position * 230, state: position ? "ON" : "OFF" } },
  modules: {},
  shorts: [],
  live: position ? ["g1.COM", "g1.L1"] : ["g1.COM"],
  amps: {},
});

type Showing = Schemas["Showing"];
type Marks = Schemas["GroupOfMarks"];
type Pen = Schemas["Pen"];

const always: Showing = { when: "ALWAYS", of: [], still: true };

function stroke(way: string, showing: Showing, pen: Partial<Pen> = {}): Schemas["DrawnStroke"] {
  return {
    way,
    showing,
    fill: "NONE",
    pen: { ink: "TEXT", width: 1.8, round: false, inked: 0, gap: 0, ...pen },
  };
}

const words = (text: string): Schemas["Lettering"] => ({
  showing: always,
  x: 0,
  y: 0,
  anchor: "MIDDLE",
  face: { size: 12.5, mono: true, bold: false, ink: "TEXT" },
  text,
});

const group = (kind: Marks["kind"], subject: string, name: string, strokes: Marks["strokes"]): Marks => ({
  kind,
  subject,
  name,
  strokes,
  words: [],
});

const wiring: Schemas["DrawnWiring"] = {
  rows: [row(0), row(1)],
  steps: [0, 1].map((position) => ({ positions: { S1: position }, after: { S1: { S1: 1 - position } } })),
  artwork: {
    width: 400,
    height: 300,
    excerpts: [{ label: "B-02", top: 150, height: 90 }],
    groups: [
      group("MECHANISM", "S1", "Shelf lamps", [
        stroke("M120 40L220 40", always, { ink: "OPERABLE" }),
        stroke("M140 104L180 93", { when: "AT_REST", of: ["S1"], still: true }),
        stroke("M140 104L180 103", { when: "OPERATED", of: ["S1"], still: false }),
      ]),
      group("WIRE", "c1.1", "brown of c1, permanent live", [
        stroke("M56 160L140 160", { when: "LIVE", of: ["g1.COM"], still: false }, { ink: "GLOW" }),
        stroke("M56 160L140 160", always, { ink: "BROWN" }),
      ]),
      group("WIRE", "c2.1", "black of c2, switched live", [
        stroke("M344 180L180 180", { when: "LIVE", of: ["g1.L1"], still: false }, { ink: "GLOW" }),
        stroke("M344 180L180 180", always, { ink: "BLACK" }),
      ]),
      { ...group("TAG", "c1.1", "", []), words: [words("BN›")] },
      group(
        "LOAD",
        "X1",
        "shelf",
        (["OFF", "DIM", "ON"] as const).map((when) =>
          stroke("M0 0L1 1", { when, of: ["X1", "X2"], still: when === "OFF" }),
        ),
      ),
    ],
  },
};

afterEach(cleanup);

describe("the drawing", () => {
  it("shows the contacts of a position, and those at rest where nothing is energised", () => {
    const shown = (container: HTMLElement) =>
      [...container.querySelectorAll("[data-when='AT_REST'], [data-when='OPERATED']")].map((path) =>
        path.getAttribute("data-when"),
      );
    const { container, rerender } = render(<WiringDrawing wiring={wiring} />);
    expect(shown(container)).toEqual(["AT_REST"]);
    rerender(<WiringDrawing wiring={wiring} at={{ S1: 1 }} />);
    expect(shown(container)).toEqual(["OPERATED"]);
    rerender(<WiringDrawing wiring={wiring} at={{}} />);
    expect(shown(container)).toEqual(["AT_REST"]);
  });

  it("shows one box of a run alone, and all of it where there is no such box", () => {
    render(<WiringDrawing wiring={wiring} only="B-02" name="one" />);
    expect(screen.getByRole("img", { name: "one" }).getAttribute("viewBox")).toBe("0 150 400 90");
    render(<WiringDrawing wiring={wiring} only="B-09" name="all" />);
    expect(screen.getByRole("img", { name: "all" }).getAttribute("viewBox")).toBe("0 0 400 300");
  });

  it("writes letters, and says what a conductor is to who points at it", () => {
    render(<WiringDrawing wiring={wiring} />);
    expect(screen.getByText("BN›")).toBeTruthy();
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
