import { useMemo, useState } from "react";
import type { Schemas } from "../../api/transport";
import { useKeys } from "../../ui/useKeys";
import { type Act, NOTHING, type Sequence, stands, withAct } from "./sequence";

type Button = { act: Act; key: string; word: string };

/** One's own hands on the switch, and sequences that can be played again. */
export function Hands({
  input,
  sequence,
  recorded,
  rest,
  onSequence,
  onRecord,
}: {
  input: Schemas["FeelInputView"];
  sequence: Sequence;
  recorded: Schemas["SequenceEntry"][];
  rest: "OPEN" | "CLOSED";
  onSequence: (sequence: Sequence) => void;
  onRecord: (name: string) => void;
}) {
  const [own, setOwn] = useState(false);
  const [name, setName] = useState("");
  const played = input.advice.find((a) => a.behaviour === input.behaviour)?.played ?? [];
  const buttons = useMemo(() => buttonsOf(input.wall, sequence, rest), [input.wall, sequence, rest]);
  const keys = useMemo(() => {
    const act = (which: Act) => () => {
      // The first deed of one's own begins anew: what was replayed is not carried on.
      onSequence(withAct(own ? sequence : NOTHING, which, input.wall, rest));
      setOwn(true);
    };
    return Object.fromEntries(buttons.map((b) => [b.key, act(b.act)]));
  }, [buttons, own, sequence, input.wall, rest, onSequence]);
  useKeys(keys as Record<string, () => void>);
  const replay = (value: string) => {
    setOwn(false);
    const occasion = played.find((p) => p.occasion === value);
    const kept = recorded.find((r) => `kept ${r.name}` === value);
    const chosen = occasion ?? kept;
    if (chosen) {
      onSequence({ events: chosen.events, untilMs: chosen.untilMs });
    }
  };
  return (
    <section aria-label="Your hands" className="space-y-2">
      <div className="flex flex-wrap items-center gap-2">
        <span className="font-semibold">Your hands:</span>
        {buttons.map((b) => (
          <button
            key={b.act}
            type="button"
            className="btn btn-sm btn-outline btn-primary"
            onClick={() => (keys[b.key] as () => void)()}
          >
            <kbd className="text-soft font-mono text-[12px]">{b.key}</kbd> {b.word}
          </button>
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-2 text-[14px]">
        <label className="flex items-center gap-2">
          <span className="text-soft">or play</span>
          <select
            className="select select-sm w-72"
            value=""
            onChange={(e) => replay(e.target.value)}
            aria-label="play a sequence"
          >
            <option value="">what happens in a household…</option>
            {played.map((p) => (
              <option key={p.occasion} value={p.occasion}>
                {p.label}
              </option>
            ))}
            {recorded.map((r) => (
              <option key={r.name} value={`kept ${r.name}`}>
                kept: {r.name}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className="btn btn-sm btn-ghost"
          onClick={() => {
            setOwn(true);
            onSequence(NOTHING);
          }}
        >
          start over
        </button>
        {own && sequence.events.length > 0 && (
          <form
            className="flex items-center gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              onRecord(name.trim());
              setName("");
            }}
          >
            <input
              className="input input-sm w-44"
              aria-label="name of the sequence"
              placeholder="name, to keep it"
              value={name}
              maxLength={80}
              onChange={(e) => setName(e.target.value)}
            />
            <button type="submit" className="btn btn-sm btn-outline" disabled={!name.trim()}>
              keep these hands
            </button>
          </form>
        )}
      </div>
    </section>
  );
}

function buttonsOf(
  wall: Schemas["FeelInputView"]["wall"],
  sequence: Sequence,
  rest: "OPEN" | "CLOSED",
): Button[] {
  const blind = wall === "UP_DOWN";
  const up = stands(sequence, 1, rest) === rest;
  const hand: Button[] = blind
    ? [
        { act: "hand", key: "f", word: up ? "hold up" : "let up go" },
        { act: "hand2", key: "g", word: stands(sequence, 2, rest) === rest ? "hold down" : "let down go" },
      ]
    : [
        {
          act: "hand",
          key: "f",
          word: wall === "PUSH" ? "press" : wall === "SUPPLY" ? "flip" : up ? "flip up" : "flip down",
        },
      ];
  const remote: Button[] = blind
    ? [
        { act: "up", key: "p", word: "phone up" },
        { act: "stop", key: "o", word: "phone stop" },
        { act: "down", key: "k", word: "phone down" },
      ]
    : [
        { act: "on", key: "p", word: "phone on" },
        { act: "off", key: "o", word: "phone off" },
      ];
  return [
    ...hand,
    ...remote,
    { act: "cut", key: "x", word: "supply away 60 s" },
    { act: "wait", key: "w", word: "wait 60 s" },
  ];
}
