import type { Schemas } from "../api/transport";
import { withUnit } from "./figures";

const LEVEL = { AMPLE: "bg-success", CLOSE: "bg-warning", OVER: "bg-error" };

/** A value against its limit, always with figures. */
export function MarginBar({ margin }: { margin: Schemas["MarginView"] }) {
  const share = Math.min(100, (margin.found / margin.allowed) * 100);
  return (
    <li className="grid grid-cols-[1fr_52px_auto] items-center gap-2 text-[13px]">
      <span className="text-soft leading-tight">{margin.what}</span>
      <span className="border-base-content bg-base-100 h-2 rounded-[2px] border" aria-hidden>
        <span className={`block h-full ${LEVEL[margin.level]}`} style={{ width: `${share}%` }} />
      </span>
      <span className="font-mono min-w-[92px] text-right text-[12.5px] whitespace-nowrap">
        {margin.found} of {withUnit(margin.allowed, margin.unit)}
      </span>
    </li>
  );
}
