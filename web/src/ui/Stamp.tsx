import type { Schemas } from "../api/transport";

/** The verdict as a rubber stamp; word and shape differ, not only the colour. */
export function Stamp({ verdict, line }: { verdict: Schemas["PlanView"]["verdict"]; line: string }) {
  const words = { OK: "PROVED", HOLD: "HOLD", STOP: "STOP" }[verdict];
  const look = {
    OK: "text-success rounded-full border-double border-[6px] -rotate-6",
    HOLD: "text-warning rounded-[3px] border-[4px]",
    STOP: "bg-error text-error-content [clip-path:polygon(29%_0,71%_0,100%_29%,100%_71%,71%_100%,29%_100%,0_71%,0_29%)]",
  }[verdict];
  return (
    <div
      role="status"
      data-verdict={verdict}
      className={`stamp-in font-head flex size-[104px] shrink-0 flex-col items-center justify-center border-current text-center leading-tight ${look}`}
    >
      <span className="text-[15px] font-bold tracking-wide">{words}</span>
      <span className="font-mono max-w-[84px] text-[11px]">{line}</span>
    </div>
  );
}
