import { useSyncExternalStore } from "react";
import type { Schemas } from "../api/transport";

export type Units = "metric" | "us";

/** What a job says of its units. */
export type LengthsOf = Pick<Schemas["JobView"], "lengths">;

const KEY = "units";
const MM_PER_INCH = 25.4;
const listeners = new Set<() => void>();

function chosen(): Units | null {
  const kept = localStorage.getItem(KEY);
  return kept === "metric" || kept === "us" ? kept : null;
}

/** Units that lengths are shown and typed in: what the person chose, else what the region uses. */
export function useUnits({ lengths }: LengthsOf): Units {
  const own = useSyncExternalStore((changed) => {
    listeners.add(changed);
    return () => listeners.delete(changed);
  }, chosen);
  return own ?? (lengths === "INCH" ? "us" : "metric");
}

export function setUnits(units: Units) {
  localStorage.setItem(KEY, units);
  for (const changed of listeners) {
    changed();
  }
}

/** A length as it is typed: "61", "2.5", "2 1/8" or "2-1/8"; null when it is none. */
export function readLength(text: string, units: Units): number | null {
  const parts = /^\s*(\d+(?:[.,]\d+)?)?(?:[\s-]*(\d+)\/(\d+))?\s*$/.exec(text);
  if (!parts || (!parts[1] && !parts[2])) {
    return null;
  }
  const fraction = parts[2] && parts[3] ? Number(parts[2]) / Number(parts[3]) : 0;
  const value = Number((parts[1] ?? "0").replace(",", ".")) + fraction;
  return units === "us" ? Math.round(value * MM_PER_INCH * 100 + 1e-6) / 100 : value;
}

/** A length as it is shown, without its unit. */
export function showLength(mm: number, units: Units): string {
  return units === "us" ? String(Math.round((mm / MM_PER_INCH) * 1000) / 1000) : String(mm);
}

export const UNIT: Record<Units, string> = { metric: "mm", us: "in" };
