import { useMutation } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useNavigate } from "react-router";
import { api } from "./api";
import { Failure } from "../../ui/Failure";
import { Mark } from "../../ui/Mark";
import { MarginNotes } from "../job/MarginNotes";
import type { Wall } from "./PracticePage";

/** What the clerk says of a finished wall, and how it would have been done. */
export function MarksSheet({ wall }: { wall: Wall }) {
  const navigate = useNavigate();
  const again = useMutation({
    mutationFn: (seed?: number) =>
      api.startPractice({ level: wall.level, ...(seed === undefined ? {} : { seed }) }),
    onSuccess: (next) => navigate(`/practice/${next.id}`),
  });
  const { marks, way } = wall;
  if (!marks || !way) {
    return null;
  }
  const reported = marks.reported ?? marks.fault;
  return (
    <div className="grid gap-8 lg:grid-cols-2">
      <section aria-label="Marks">
        <h2 className={`mb-3 text-[20px] ${marks.accepted ? "text-success" : "text-error"}`}>
          {marks.accepted ? "Accepted" : "Not accepted"}
        </h2>
        <ul className="space-y-3">
          <Line good={marks.unsafe.length === 0}>
            {marks.unsafe.length === 0 ? "Nothing unsafe was done." : `${marks.unsafe.length} unsafe:`}
            <Words list={marks.unsafe.map((deed) => deed.words)} />
          </Line>
          <Line good={marks.namesRight === marks.names || Boolean(marks.reported)}>
            {marks.namesRight} of {marks.names} cores named right.
            <Words list={marks.reported ? [] : marks.wrongNames} />
          </Line>
          <Line good={marks.testsUsed <= (marks.testsNeeded ?? marks.testsUsed)} mild>
            {marks.testsUsed} {marks.testsUsed === 1 ? "test" : "tests"} used;{" "}
            {(marks.testsNeeded ?? null) === null
              ? "the clerk needed none."
              : `the clerk needed ${marks.testsNeeded}.`}
          </Line>
          {marks.refusedChoices > 0 && (
            <Line good={false} mild>
              {marks.refusedChoices} {marks.refusedChoices === 1 ? "choice was" : "choices were"} no good.
            </Line>
          )}
          {reported ? (
            <Line good={marks.reported === marks.fault}>
              {marks.reported ? `Reported: ${marks.reported}. ` : "Nothing was reported. "}
              {marks.fault ? `The fault: ${marks.fault}.` : "The wall is sound."}
            </Line>
          ) : (
            <Line good={marks.wiring === "OK"}>
              {marks.wiring === "OK"
                ? "The wiring is proved in every state."
                : `The proof of the wiring: ${marks.wiring}.`}
            </Line>
          )}
        </ul>
        {marks.findings.length > 0 && !marks.reported && (
          <div className="border-line mt-5 border-t pt-4">
            <MarginNotes findings={marks.findings} empty="" />
          </div>
        )}
        <div className="mt-5 flex flex-wrap gap-2">
          <button type="button" className="btn btn-primary" onClick={() => again.mutate(undefined)}>
            another wall of this level
          </button>
          <button type="button" className="btn btn-outline" onClick={() => again.mutate(wall.seed)}>
            the same wall again
          </button>
        </div>
        {again.isError && <Failure error={again.error} />}
      </section>
      <section aria-label="The clerk's way">
        <h2 className="mb-3 text-[18px]">The clerk's way</h2>
        {way.tests.length > 0 ? (
          <>
            <p className="text-soft mb-1 text-sm">
              Each test is the one that leaves fewest possibilities in the worst case.
            </p>
            <ol className="list-decimal space-y-1 pl-5">
              {way.tests.map((test) => (
                <li key={test.words}>
                  {test.words}
                  <span className="text-soft text-sm">
                    {" "}
                    ({test.left === 1 ? "one possibility left" : `${test.left} possibilities left`})
                  </span>
                </li>
              ))}
            </ol>
          </>
        ) : (
          <p>{way.withoutTests}</p>
        )}
        {way.fitting && (
          <>
            <h3 className="mt-5 mb-1 text-[15px]">
              {way.fitting.scheme}: {way.fitting.module} from {way.fitting.box}, about {way.fitting.minutes}{" "}
              min
            </h3>
            <ol className="list-decimal space-y-1 pl-5 text-sm">
              {way.fitting.moves.map((move) => (
                <li key={move}>{move}</li>
              ))}
            </ol>
          </>
        )}
      </section>
    </div>
  );
}

function Line({ good, mild, children }: { good: boolean; mild?: boolean; children: ReactNode }) {
  return (
    <li className="flex gap-2.5">
      <Mark kind={good ? "OK" : mild ? "NOTE" : "STOP"} />
      <div>{children}</div>
    </li>
  );
}

function Words({ list }: { list: string[] }) {
  return (
    list.length > 0 && (
      <ul className="mt-1 list-disc space-y-1 pl-5 text-sm">
        {list.map((words, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the same words can be said twice, and order is what they are
          <li key={at}>{words}</li>
        ))}
      </ul>
    )
  );
}
