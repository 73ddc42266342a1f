import { ApiProblem } from "../api/transport";
import { placeOf } from "./place";

/** What happened, what is kept, what to do. */
export function Failure({
  error,
  onRetry,
  retry = "try again",
}: {
  error: Error;
  onRetry?: () => void;
  retry?: string;
}) {
  const errors = error instanceof ApiProblem ? error.errors : [];
  return (
    <div role="alert" className="border-error bg-base-100 rounded-[4px] border-[1.5px] p-3">
      <p className="text-error font-semibold">{error.message}</p>
      {errors.length > 0 && (
        <ul className="mt-2 space-y-1 text-sm">
          {errors.map((problem) => (
            <li key={`${problem.pointer} ${problem.found}`}>
              {placeOf(problem.pointer) && <b>{placeOf(problem.pointer)}: </b>}
              {problem.found.trim() ? `“${problem.found}” was found` : "nothing was found"}, expected:{" "}
              {problem.expected}.
            </li>
          ))}
        </ul>
      )}
      {onRetry && (
        <button type="button" className="btn btn-sm btn-outline mt-3" onClick={onRetry}>
          {retry}
        </button>
      )}
    </div>
  );
}
