import { Link } from "react-router";
import type { Schemas } from "../../api/transport";

type Day = Schemas["DayView"];

export const clock = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`;

const KIND: Record<Schemas["VisitView"]["kind"], { word: string; look: string }> = {
  ISOLATE: { word: "isolate", look: "hatched border-base-content" },
  WIRE: { word: "wire", look: "bg-primary/15 border-primary" },
  SET_UP: { word: "set up", look: "bg-base-200 border-edge" },
  TRY_OUT: { word: "try out", look: "bg-success/15 border-success" },
};

/** One day: who does what when, and which circuits are off meanwhile; as bars, and as a list to carry. */
export function DayChart({ day, job }: { day: Day; job: string }) {
  const from =
    Math.floor(Math.min(...day.visits.map((v) => v.from), ...day.openings.map((o) => o.from)) / 60) * 60;
  const to = Math.ceil(Math.max(...day.visits.map((v) => v.to), ...day.openings.map((o) => o.to)) / 60) * 60;
  const people = [...new Set(day.visits.map((v) => v.person))];
  const place = (a: number, b: number) => ({
    left: `${((a - from) / (to - from)) * 100}%`,
    width: `${((b - a) / (to - from)) * 100}%`,
  });
  const date = new Date(`${day.date}T12:00:00`).toLocaleDateString("en-GB", {
    weekday: "long",
    day: "numeric",
    month: "long",
  });
  if (day.visits.length === 0) {
    return (
      <p className="mb-4">
        {date}: nothing fits into what is left of this day. {day.notes.join(" ")}
      </p>
    );
  }
  const hours = Array.from({ length: (to - from) / 60 + 1 }, (_, i) => from + i * 60);
  return (
    <section aria-label={date} className="mb-6">
      <h2 className="mb-2 text-[17px]">
        {date}
        <span className="text-soft text-[14px]">
          {" "}
          · {clock(Math.min(...day.visits.map((v) => v.from)))} to{" "}
          {clock(Math.max(...day.visits.map((v) => v.to)))}
          {day.optimal ? ", proved the best" : ", the best found in time"}
        </span>
      </h2>
      {day.notes.map((note) => (
        <p key={note} className="border-warning mb-2 border-l-4 pl-3 text-[14px]">
          {note}
        </p>
      ))}
      <div className="hidden sm:block" aria-hidden>
        <div className="relative ml-24 h-5">
          {hours.slice(0, -1).map((hour) => (
            <span
              key={hour}
              className="text-soft font-mono absolute text-[12px]"
              style={{ left: place(hour, hour).left }}
            >
              {clock(hour)}
            </span>
          ))}
        </div>
        {people.map((person) => (
          <Lane key={person} word={person}>
            {day.visits
              .filter((visit) => visit.person === person)
              .map((visit) => (
                <span
                  key={visit.kind + visit.words + visit.from}
                  title={`${visit.words}, ${clock(visit.from)} to ${clock(visit.to)}`}
                  className={`absolute inset-y-0.5 truncate rounded-[3px] border px-1 text-[12px] ${KIND[visit.kind].look}`}
                  style={place(visit.from, visit.to)}
                >
                  {visit.kind === "WIRE"
                    ? visit.words
                    : visit.kind === "ISOLATE"
                      ? ""
                      : KIND[visit.kind].word}
                </span>
              ))}
          </Lane>
        ))}
        {day.openings.map((opening) => (
          <Lane key={opening.circuits.join() + opening.from} word={`off: ${opening.circuits.join(", ")}`}>
            <span
              className="hatched absolute inset-y-1.5 rounded-[3px] border"
              style={place(opening.from, opening.to)}
            />
          </Lane>
        ))}
      </div>
      <ol className="mt-2 text-[14.5px]">
        {day.visits.map((visit) => (
          <li
            key={visit.kind + visit.words + visit.person + visit.from}
            className="border-line flex flex-wrap gap-x-3 border-b py-1"
          >
            <span className="font-mono">
              {clock(visit.from)}–{clock(visit.to)}
            </span>
            <span className="min-w-40 flex-1">
              {visit.box ? (
                <Link className="text-primary underline" to={`/jobs/${job}/boxes/${visit.box}/fit`}>
                  {visit.words}
                </Link>
              ) : (
                visit.words
              )}
            </span>
            <span className="text-soft">
              {visit.person}
              {visit.circuits.length > 0 &&
                visit.kind === "WIRE" &&
                `, circuit ${visit.circuits.join(", ")} off`}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

function Lane({ word, children }: { word: string; children: React.ReactNode }) {
  return (
    <div className="flex items-center">
      <span className="w-24 shrink-0 truncate pr-2 text-[13px]" title={word}>
        {word}
      </span>
      <div className="border-line relative h-7 flex-1 border-b">{children}</div>
    </div>
  );
}
