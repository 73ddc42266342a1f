import { Lock, LockOpen } from "lucide-react";
import type { Act, Wall } from "./PracticePage";

/** The board: breakers with their locks, and the known source that a tester is proved on. */
export function Breakers({ wall, act }: { wall: Wall; act: Act }) {
  return (
    <section aria-label="Board">
      <h2 className="mb-2 text-[15px]">Board</h2>
      <ul className="space-y-2">
        {wall.breakers.map(({ circuit, phase, on, locked }) => (
          <li
            key={circuit}
            className="border-line bg-base-100 flex items-center gap-2 rounded-[4px] border p-2"
          >
            <span className="font-mono flex-1">
              {circuit} <span className="text-soft text-sm">{phase}</span>
            </span>
            <button
              type="button"
              aria-pressed={on}
              aria-label={`breaker ${circuit} ${on ? "on" : "off"}`}
              className={`btn btn-sm ${on ? "btn-neutral" : "btn-outline"}`}
              onClick={() => act({ kind: on ? "BREAKER_OFF" : "BREAKER_ON", on: circuit })}
            >
              {on ? "on" : "off"}
            </button>
            <button
              type="button"
              aria-pressed={locked}
              aria-label={locked ? `take the lock off ${circuit}` : `lock ${circuit}`}
              className={`btn btn-sm ${locked ? "btn-neutral" : "btn-outline"}`}
              onClick={() => act({ kind: locked ? "UNLOCK" : "LOCK", on: circuit })}
            >
              {locked ? <Lock size={15} aria-hidden /> : <LockOpen size={15} aria-hidden />}
              {locked ? "locked" : "lock"}
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn btn-sm btn-outline mt-2 w-full"
        onClick={() => act({ kind: "PROVE_TESTER" })}
      >
        prove the tester on a known source
      </button>
    </section>
  );
}
