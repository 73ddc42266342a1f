import type { Schemas } from "../../api/transport";

export type Deed = Schemas["EventEntry"]["deed"];
export type Behaviour = Schemas["FeelInputView"]["behaviour"];
export type Parameters = Schemas["ParametersEntry"];

/** What happened, on a clock that begins at 0, in milliseconds. */
export type Sequence = { events: Schemas["EventEntry"][]; untilMs: number };

export const NOTHING: Sequence = { events: [], untilMs: 2000 };

/** Time between two deeds of one's own hands. */
const GAP = 1000;
const PRESS = 200;
const BLINK = 60;
const CUT = 60_000;

/** What hands and others can do to a switch. */
export type Act = "hand" | "hand2" | "on" | "off" | "up" | "down" | "stop" | "cut" | "wait";

const REMOTE: Partial<Record<Act, Deed>> = {
  on: "REMOTE_ON",
  off: "REMOTE_OFF",
  up: "REMOTE_UP",
  down: "REMOTE_DOWN",
  stop: "REMOTE_STOP",
};

/** Where the contact of an input stands at the end; it begins where it rests. */
export function stands(sequence: Sequence, input: number, rest: "OPEN" | "CLOSED"): "OPEN" | "CLOSED" {
  const last = sequence.events.filter((e) => e.input === input && isContact(e.deed)).at(-1);
  return last ? (last.deed === "CLOSE" ? "CLOSED" : "OPEN") : rest;
}

export const isContact = (deed: Deed) => deed === "CLOSE" || deed === "OPEN";

/** The sequence with one more deed, a second after the last. */
export function withAct(
  sequence: Sequence,
  act: Act,
  wall: Schemas["FeelInputView"]["wall"],
  rest: "OPEN" | "CLOSED",
): Sequence {
  const at = sequence.events.length === 0 ? GAP : sequence.untilMs;
  if (act === "wait") {
    return { ...sequence, untilMs: sequence.untilMs + 60_000 };
  }
  const add = (deeds: [Deed, number][], input = 1): Sequence => ({
    events: [...sequence.events, ...deeds.map(([deed, after]) => ({ deed, atMs: at + after, input }))],
    untilMs: at + (deeds.at(-1)?.[1] ?? 0) + GAP,
  });
  const remote = REMOTE[act];
  if (remote) {
    return add([[remote, 0]]);
  }
  if (act === "cut") {
    return add([
      ["SUPPLY_LOST", 0],
      ["SUPPLY_BACK", CUT],
    ]);
  }
  const input = act === "hand2" ? 2 : 1;
  const closed = stands(sequence, input, rest) === "CLOSED";
  const there: Deed = closed ? "OPEN" : "CLOSE";
  const back: Deed = closed ? "CLOSE" : "OPEN";
  if (wall === "SUPPLY") {
    return add([
      ["SUPPLY_LOST", 0],
      ["SUPPLY_BACK", BLINK],
    ]);
  }
  return wall === "PUSH"
    ? add(
        [
          [there, 0],
          [back, PRESS],
        ],
        input,
      )
    : add([[there, 0]], input);
}

/** Words on the line of an event. */
export function words(event: Schemas["EventEntry"]): string {
  switch (event.deed) {
    case "CLOSE":
      return "closes";
    case "OPEN":
      return "opens";
    case "SUPPLY_LOST":
      return "supply off";
    case "SUPPLY_BACK":
      return "supply on";
    default:
      return event.deed.replace("REMOTE_", "remote ").toLowerCase();
  }
}

/** Request of the computation for one behaviour. */
export function request(behaviour: Behaviour, parameters: Parameters, sequence: Sequence) {
  const blind = behaviour === "UP_DOWN";
  return {
    behaviour,
    parameters,
    start: blind
      ? { contacts: { "1": parameters.rest, "2": parameters.rest }, motion: "STOP" }
      : { contact: parameters.rest, relay: "OFF" },
    events: sequence.events.map((e) => ({
      atMs: e.atMs,
      do: e.deed,
      ...(isContact(e.deed) ? { input: String(e.input) } : {}),
    })),
    untilMs: sequence.untilMs,
  };
}

/** A level that holds from an instant on; 0 low, 1 high, -1 the other way. */
export type Level = { atMs: number; level: number };

export function handLevels(sequence: Sequence, input: number, rest: "OPEN" | "CLOSED"): Level[] {
  const changes = sequence.events
    .filter((e) => isContact(e.deed) && e.input === input)
    .map((e) => ({ atMs: e.atMs, level: (e.deed === "CLOSE") === (rest === "OPEN") ? 1 : 0 }));
  return [{ atMs: 0, level: 0 }, ...changes];
}

export function relayLevels(answer: Schemas["BehaviourAnswer"]): Level[] {
  const changes = answer.trace.map((change) => ({
    atMs: change.atMs,
    level: change.relay
      ? change.relay === "ON"
        ? 1
        : 0
      : change.motion === "UP"
        ? 1
        : change.motion === "DOWN"
          ? -1
          : 0,
  }));
  return [{ atMs: 0, level: 0 }, ...changes];
}

/** A lamp is dark while its supply is away, whatever the relay holds. */
export function lampLevels(relay: Level[], sequence: Sequence): Level[] {
  const instants = [
    ...relay.map((r) => r.atMs),
    ...sequence.events.filter((e) => e.deed.startsWith("SUPPLY")).map((e) => e.atMs),
  ].sort((a, b) => a - b);
  return instants.map((atMs) => {
    const relayNow = relay.filter((r) => r.atMs <= atMs).at(-1)?.level ?? 0;
    const supply = sequence.events.filter((e) => e.deed.startsWith("SUPPLY") && e.atMs <= atMs).at(-1);
    return { atMs, level: supply?.deed === "SUPPLY_LOST" ? 0 : relayNow };
  });
}

/** Long waits are drawn short: where an instant is, from 0 to 1. */
export function axis(sequence: Sequence) {
  const instants = [...new Set([0, ...sequence.events.map((e) => e.atMs), sequence.untilMs])].sort(
    (a, b) => a - b,
  );
  const shown = (ms: number) => (ms <= 3000 ? ms : 3000 + 700 * Math.log10(ms / 3000));
  const places = new Map<number, number>([[0, 0]]);
  let at = 0;
  for (let i = 1; i < instants.length; i++) {
    at += shown((instants[i] as number) - (instants[i - 1] as number));
    places.set(instants[i] as number, at);
  }
  const total = Math.max(at, 1);
  return (ms: number) => {
    const before = instants.filter((i) => i <= ms).at(-1) ?? 0;
    const next = instants.find((i) => i > ms);
    const from = places.get(before) ?? 0;
    if (next === undefined) {
      return Math.min(1, from / total);
    }
    const share = (ms - before) / (next - before);
    return (from + share * ((places.get(next) ?? from) - from)) / total;
  };
}
