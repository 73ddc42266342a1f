import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";

type Piece = Schemas["PieceView"];
type Choices = Schemas["RulesView"]["choices"];

/** A rule as a sentence; its slots are pressed and filled otherwise. */
export function Sentence({
  pieces,
  choices,
  busy,
  onFill,
}: {
  pieces: Piece[];
  choices: Choices;
  busy: boolean;
  onFill: (pointer: string, value: unknown) => void;
}) {
  const [open, setOpen] = useState<string>();
  return (
    <div className="leading-relaxed">
      {pieces.map((piece, i) =>
        piece.pointer && piece.kind ? (
          open === piece.pointer ? (
            <Editor
              key={piece.pointer}
              piece={piece}
              choices={choices[piece.kind] ?? []}
              onDone={(value) => {
                setOpen(undefined);
                if (value !== undefined && JSON.stringify(value) !== piece.value) {
                  onFill(piece.pointer as string, value);
                }
              }}
            />
          ) : (
            <button
              key={piece.pointer}
              type="button"
              disabled={busy}
              className="text-primary cursor-pointer font-semibold underline decoration-dotted underline-offset-4"
              onClick={() => setOpen(piece.pointer as string)}
            >
              {piece.words}
              {piece.unit && ` ${piece.unit}`}
            </button>
          )
        ) : (
          // biome-ignore lint/suspicious/noArrayIndexKey: words have no identity but their place.
          <span key={i}>{piece.words}</span>
        ),
      )}
    </div>
  );
}

const LISTS = ["OUTPUTS", "DAYS"];
const NUMBERS = ["MINUTES", "SECONDS", "MILLISECONDS", "PERCENT", "FIGURE", "OFFSET", "SEED"];
const YES_NO = ["HOME", "DARK", "ON_OFF", "BY_HAND"];

function Editor({
  piece,
  choices,
  onDone,
}: {
  piece: Piece;
  choices: Schemas["SlotChoice"][];
  onDone: (value?: unknown) => void;
}) {
  const kind = piece.kind as string;
  const now: unknown = JSON.parse(piece.value ?? "null");
  if (LISTS.includes(kind)) {
    return <ListEditor now={now as string[]} choices={choices} onDone={onDone} />;
  }
  if (choices.length > 0) {
    return (
      <select
        className="select select-sm mx-1 inline-block w-56 align-middle"
        // biome-ignore lint/a11y/noAutofocus: it was pressed to be changed.
        autoFocus
        aria-label={`instead of ${piece.words}`}
        value={String(now)}
        onBlur={() => onDone()}
        onChange={(e) => onDone(YES_NO.includes(kind) ? e.target.value === "true" : e.target.value)}
      >
        {choices.map((choice) => (
          <option key={choice.code} value={choice.code}>
            {choice.label}
          </option>
        ))}
      </select>
    );
  }
  return <TextEditor kind={kind} now={now} words={piece.words} unit={piece.unit ?? ""} onDone={onDone} />;
}

function TextEditor({
  kind,
  now,
  words,
  unit,
  onDone,
}: {
  kind: string;
  now: unknown;
  words: string;
  unit: string;
  onDone: (value?: unknown) => void;
}) {
  const [text, setText] = useState(Array.isArray(now) ? now.join(", ") : String(now));
  const number = NUMBERS.includes(kind);
  const done = (event: FormEvent) => {
    event.preventDefault();
    if (kind === "PERCENTS") {
      onDone(
        text
          .split(/[,\s]+/)
          .filter(Boolean)
          .map(Number),
      );
    } else {
      onDone(number ? Number(text) : text);
    }
  };
  return (
    <form className="mx-1 inline-flex items-center gap-1 align-middle" onSubmit={done}>
      <input
        className={`input input-sm ${kind === "RULE_TEXT" ? "w-72" : number || kind === "TIME" ? "w-28" : "w-40"}`}
        // biome-ignore lint/a11y/noAutofocus: it was pressed to be changed.
        autoFocus
        type={number ? "number" : kind === "TIME" ? "time" : "text"}
        aria-label={`instead of ${words}`}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => e.key === "Escape" && onDone()}
        required
      />
      {kind === "OFFSET" && <span className="text-soft text-[13px]">min, minus is before</span>}
      {unit && <span className="text-soft text-[13px]">{unit}</span>}
      <button type="submit" className="btn btn-xs btn-outline">
        set
      </button>
    </form>
  );
}

function ListEditor({
  now,
  choices,
  onDone,
}: {
  now: string[];
  choices: Schemas["SlotChoice"][];
  onDone: (value?: unknown) => void;
}) {
  const [chosen, setChosen] = useState(new Set(now));
  const turn = (code: string) => {
    const next = new Set(chosen);
    next.has(code) ? next.delete(code) : next.add(code);
    setChosen(next);
  };
  return (
    <span className="border-edge my-1 block rounded-[4px] border p-2">
      <span className="grid max-h-52 gap-1 overflow-y-auto text-[14px] sm:grid-cols-2">
        {choices.map((choice) => (
          <label key={choice.code} className="flex cursor-pointer items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={chosen.has(choice.code)}
              onChange={() => turn(choice.code)}
            />
            {choice.label}
          </label>
        ))}
      </span>
      <button type="button" className="btn btn-xs btn-outline mt-2" onClick={() => onDone([...chosen])}>
        set
      </button>
    </span>
  );
}
