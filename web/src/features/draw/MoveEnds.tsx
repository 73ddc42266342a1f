import { useId, useState } from "react";
import type { Schemas } from "../../api/transport";

type Move = Schemas["EndMove"];
type Ends = Schemas["PlaceEnds"][];

type Props = {
  ends: Ends;
  moves: Move[];
  onMoves: (moves: Move[]) => void;
};

/** Ends of conductors put elsewhere in the plan, to see what that breaks. */
export function MoveEnds({ ends, moves, onMoves }: Props) {
  const [picked, setPicked] = useState("");
  const wireField = useId();
  const placeField = useId();
  const of = (key: string) => endOf(ends, key);
  const end = of(picked);
  const several = ends.length > 1;

  const put = (to: string) => {
    if (end && to) {
      onMoves([...moves, { wire: end.now.wire, secondEnd: end.now.secondEnd, to }]);
      setPicked("");
    }
  };

  return (
    <section className="no-print border-line mt-3 border-y py-3" aria-label="ends put elsewhere">
      <div className="flex flex-wrap items-end gap-3">
        <div className="flex min-w-[240px] flex-1 flex-col gap-1 text-sm">
          <label htmlFor={wireField}>conductor</label>
          <select
            id={wireField}
            className="select w-full"
            value={picked}
            onChange={(event) => setPicked(event.target.value)}
          >
            <option value="">choose an end</option>
            {ends.map((place) => (
              <optgroup key={place.place} label={several ? place.place : "this box"}>
                {place.movable.map((now) => (
                  <option key={keyOf(now)} value={keyOf(now)}>
                    {now.words}, {wordsOf(place, whereNow(now, moves))}
                  </option>
                ))}
              </optgroup>
            ))}
          </select>
        </div>
        <div className="flex min-w-[200px] flex-1 flex-col gap-1 text-sm">
          <label htmlFor={placeField}>put it on</label>
          <select
            id={placeField}
            className="select w-full"
            value=""
            disabled={!end}
            onChange={(event) => put(event.target.value)}
          >
            <option value="">choose a place</option>
            {end?.place.choices
              .filter((choice) => choice.key !== whereNow(end.now, moves))
              .map((choice) => (
                <option key={choice.key} value={choice.key}>
                  {choice.words}
                </option>
              ))}
          </select>
        </div>
      </div>
      {moves.length === 0 ? (
        <p className="text-soft mt-2 text-sm">
          The plan itself stays as it is: this shows what another place for an end would break.
        </p>
      ) : (
        <ul className="mt-2 space-y-1 text-sm">
          {moves.map((move, index) => {
            const moved = of(`${move.wire} ${move.secondEnd}`);
            return (
              // biome-ignore lint/suspicious/noArrayIndexKey: the same end can be moved twice, and order is what they are
              <li key={index}>
                {several && `${moved?.place.place}: `}
                {moved?.now.words} to {moved && wordsOf(moved.place, move.to)}
              </li>
            );
          })}
        </ul>
      )}
      {moves.length > 0 && (
        <div className="mt-2 flex flex-wrap gap-2">
          <button
            type="button"
            className="btn btn-sm btn-outline"
            onClick={() => onMoves(moves.slice(0, -1))}
          >
            take the last back
          </button>
          <button type="button" className="btn btn-sm btn-outline" onClick={() => onMoves([])}>
            back to the plan
          </button>
        </div>
      )}
    </section>
  );
}

const keyOf = (now: Schemas["EndNow"]) => `${now.wire} ${now.secondEnd}`;

function endOf(ends: Ends, key: string) {
  for (const place of ends) {
    const now = place.movable.find((candidate) => keyOf(candidate) === key);
    if (now) {
      return { place, now };
    }
  }
  return null;
}

/** Where an end is after the moves so far. */
export function whereNow(now: Schemas["EndNow"], moves: Move[]): string {
  const last = moves.filter((move) => move.wire === now.wire && move.secondEnd === now.secondEnd).at(-1);
  return last?.to ?? now.at;
}

const wordsOf = (place: Schemas["PlaceEnds"], key: string) =>
  place.choices.find((choice) => choice.key === key)?.words ?? key;
