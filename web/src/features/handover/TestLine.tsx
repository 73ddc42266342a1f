import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { moment } from "../../ui/figures";
import { Mark, type MarkKind } from "../../ui/Mark";
import { TextField } from "../../ui/TextField";

type Test = Schemas["TestView"];
export type Found = Omit<Schemas["FoundAtTest"], "test">;

export const STANDING: Record<Test["standing"], { mark?: MarkKind; words: string }> = {
  OPEN: { words: "not made" },
  PASSED: { mark: "OK", words: "as planned" },
  FAILED: { mark: "STOP", words: "failed" },
  AGAIN: { mark: "HOLD", words: "make it again" },
};

/** One test of the hand over: what to do, what is expected, and what was found. */
export function TestLine({
  test,
  open,
  busy,
  onOpen,
  onFound,
}: {
  test: Test;
  open: boolean;
  busy: boolean;
  onOpen: () => void;
  onFound: (found: Found) => void;
}) {
  const { mark, words } = STANDING[test.standing];
  return (
    <li className="border-line border-b py-2">
      <button
        type="button"
        className="flex min-h-11 w-full cursor-pointer items-start gap-3 text-left"
        aria-expanded={open}
        onClick={onOpen}
      >
        <span className="mt-0.5 w-6 shrink-0">
          {mark ? (
            <Mark kind={mark} size={22} />
          ) : (
            <span className="border-edge block size-[20px] rounded-[3px] border-[1.5px]" aria-hidden />
          )}
        </span>
        <span className="min-w-0 flex-1">
          <span className="font-semibold">{test.label}</span>
          <span className="text-soft"> · {words}</span>
          <span className="block">{test.words}</span>
          {test.changed.length > 0 && (
            <span className="text-warning block text-[14px]">
              Since it was made {test.changed.join(" and ")} changed.
            </span>
          )}
          {test.last && <Last last={test.last} />}
        </span>
      </button>
      {open && <Entry key={test.id} test={test} busy={busy} onFound={onFound} />}
    </li>
  );
}

function Last({ last }: { last: Schemas["FoundView"] }) {
  return (
    <span className="text-soft block text-[14px]">
      {[last.judged, last.note && `seen: ${last.note}`, last.cause && `cause: ${last.cause}`]
        .filter(Boolean)
        .map((part) => `${part} · `)
        .join("")}
      {last.who} {moment(last.at)}
    </span>
  );
}

function Entry({ test, busy, onFound }: { test: Test; busy: boolean; onFound: (found: Found) => void }) {
  const [figure, setFigure] = useState("");
  const [note, setNote] = useState("");
  const [cause, setCause] = useState("");
  const mends = test.last?.passed === false;
  const number = Number(figure.replace(",", "."));
  const missing = test.unit !== undefined && (figure.trim() === "" || Number.isNaN(number));
  const tell = (asPlanned: boolean) =>
    onFound({
      asPlanned,
      note,
      cause,
      ...(test.unit && !missing ? { figure: number } : {}),
      sentKey: crypto.randomUUID(),
    });
  return (
    <div className="bg-base-200 mt-2 ml-9 space-y-3 rounded-[4px] p-3">
      <p>
        Expected: <b>{test.expected}</b>
      </p>
      {test.unit && (
        <TextField
          label={`Read, ${test.unit}`}
          value={figure}
          onChange={setFigure}
          inputMode="decimal"
          className="max-w-40"
        />
      )}
      <TextField label="Seen otherwise" value={note} onChange={setNote} maxLength={500} />
      {mends && (
        <TextField label="What had been the cause" value={cause} onChange={setCause} maxLength={500} />
      )}
      <div className="flex flex-wrap gap-3">
        {test.unit ? (
          <button
            type="button"
            className="btn btn-primary min-h-12"
            disabled={busy || missing}
            onClick={() => tell(true)}
          >
            write down
          </button>
        ) : (
          <>
            <button
              type="button"
              className="btn btn-primary min-h-12"
              disabled={busy}
              onClick={() => tell(true)}
            >
              as planned
            </button>
            <button
              type="button"
              className="btn btn-outline min-h-12"
              disabled={busy || note.trim() === ""}
              title={note.trim() === "" ? "say what was seen first" : undefined}
              onClick={() => tell(false)}
            >
              not as planned
            </button>
          </>
        )}
      </div>
    </div>
  );
}
