import { useMutation, useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { sessionOptions } from "../session/api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";

/** Whose locks hang on the circuits of this sheet; everybody takes off only the own one. */
export function LocksPart({
  box,
  sheet,
  open = true,
  onChanged,
}: {
  box: string;
  sheet: Schemas["RunSheetView"];
  /** Whether the sheet is worked by still; a lock outlives a sheet that was set aside. */
  open?: boolean;
  onChanged: () => Promise<void>;
}) {
  const me = useQuery(sessionOptions).data?.displayName;
  const act = useMutation({ mutationFn: (deed: () => Promise<unknown>) => deed(), onSuccess: onChanged });
  const off = open && sheet.isolation !== "ON";
  if (!off && sheet.locks.length === 0) {
    return null;
  }
  const mine = sheet.locks.some((lock) => lock.person === me);
  return (
    <section aria-label="locks" className="border-edge rounded-[4px] border p-3">
      <h2 className="text-[16px]">Locks on the circuits</h2>
      <p className="text-soft text-[14px]">
        A circuit is switched on only when everybody on it has signed off.
      </p>
      <ul className="my-2 space-y-1 text-[15px]">
        {sheet.locks.map((lock) => (
          <li key={lock.circuit + lock.person + lock.box}>
            Circuit {lock.circuit}: <b>{lock.person}</b>, for {lock.box}, since {moment(lock.since)}
          </li>
        ))}
      </ul>
      {mine ? (
        <button
          type="button"
          className="btn btn-sm btn-outline"
          onClick={() => act.mutate(() => api.signOff(box))}
        >
          sign off: take my lock off
        </button>
      ) : (
        open && (
          <button
            type="button"
            className="btn btn-sm btn-outline"
            onClick={() => act.mutate(() => api.lockCircuits(box))}
          >
            I work here too: hang my lock
          </button>
        )
      )}
      {act.isError && <Failure error={act.error} />}
    </section>
  );
}
