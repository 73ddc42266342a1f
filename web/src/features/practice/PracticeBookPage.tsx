import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Schemas } from "../../api/transport";
import { api, practiceBookOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { Waiting } from "../../ui/Waiting";
import { TopBar } from "../job/TopBar";
import { Sideways } from "../../ui/Sideways";

/** Levels of the practice wall, and what this person did so far. */
export function PracticeBookPage() {
  const book = useQuery(practiceBookOptions);
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="mx-auto w-full max-w-4xl flex-1 overflow-y-auto p-4 sm:p-6">
        <h1 className="mb-1 text-2xl">Practice wall</h1>
        <p className="text-soft mb-5 max-w-[75ch]">
          A made-up wall behind which nobody has looked. Isolate it, find out which conductor is what, choose,
          wire and prove. Nothing here can hurt you; every slip that would in a real wall is marked.
        </p>
        {book.isPending && <Waiting what="the levels" />}
        {book.isError && <Failure error={book.error} onRetry={() => book.refetch()} />}
        {book.data && <Levels levels={book.data.levels} results={book.data.results} />}
      </main>
    </div>
  );
}

function Levels({ levels, results }: { levels: Schemas["LevelView"][]; results: Schemas["ResultView"][] }) {
  const [seed, setSeed] = useState("");
  const navigate = useNavigate();
  const start = useMutation({
    mutationFn: (level: Schemas["LevelView"]["level"]) =>
      api.startPractice({ level, ...(seed.trim() ? { seed: Number(seed) } : {}) }),
    onSuccess: (wall) => navigate(`/practice/${wall.id}`),
  });
  return (
    <>
      {start.isError && <Failure error={start.error} />}
      <ol className="border-line divide-line mb-4 divide-y border-y">
        {levels.map((level) => {
          const accepted = results.filter((result) => result.level === level.level && result.accepted).length;
          return (
            <li key={level.level} className="flex flex-wrap items-center gap-x-4 gap-y-2 py-3">
              <div className="min-w-[240px] flex-1">
                <h2 className="text-[16px]">{level.label}</h2>
                <p className="text-soft text-sm">{level.words}</p>
              </div>
              <span className="text-soft text-sm">{accepted > 0 && `${accepted} accepted`}</span>
              <button
                type="button"
                className="btn btn-outline"
                aria-label={`start ${level.label}`}
                disabled={start.isPending}
                onClick={() => start.mutate(level.level)}
              >
                start
              </button>
            </li>
          );
        })}
      </ol>
      <div className="mb-8 max-w-[260px]">
        <TextField
          label="Wall number, to repeat one (0 to 999 999)"
          type="number"
          min={0}
          max={999_999}
          value={seed}
          onChange={setSeed}
        />
      </div>
      <Results results={results} />
    </>
  );
}

function Results({ results }: { results: Schemas["ResultView"][] }) {
  if (results.length === 0) {
    return <p className="text-soft">No wall done yet. The first level takes about five minutes.</p>;
  }
  return (
    <Sideways label="Your walls">
      <h2 className="mb-1 text-lg">Your walls</h2>
      <table className="table-sm table">
        <thead>
          <tr>
            <th>Level</th>
            <th>Wall</th>
            <th>Begun</th>
            <th>Tests</th>
            <th>Unsafe</th>
            <th>Outcome</th>
          </tr>
        </thead>
        <tbody>
          {results.map((result) => (
            <tr key={result.id}>
              <td>{result.label}</td>
              <td className="font-mono">{result.seed}</td>
              <td>{moment(result.startedAt)}</td>
              <td>{tests(result)}</td>
              <td>{result.unsafe ?? ""}</td>
              <td>
                <Link className="link" to={`/practice/${result.id}`}>
                  {outcome(result)}
                </Link>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Sideways>
  );
}

function tests(result: Schemas["ResultView"]): string {
  if ((result.testsUsed ?? null) === null) {
    return "";
  }
  return (result.testsNeeded ?? null) === null
    ? `${result.testsUsed}`
    : `${result.testsUsed}, clerk ${result.testsNeeded}`;
}

function outcome(result: Schemas["ResultView"]): string {
  if (!result.finishedAt) {
    return "go on";
  }
  return result.accepted ? "accepted" : "not accepted";
}
