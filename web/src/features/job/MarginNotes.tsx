import type { ReactNode } from "react";
import type { Schemas } from "../../api/transport";
import { Mark } from "../../ui/Mark";

type Finding = Schemas["FindingView"];

/** The clerk's notes: what was found, with numbers, remedy and source. */
export function MarginNotes({
  findings,
  empty,
  remedy,
  onStates,
  extra,
}: {
  findings: Finding[];
  empty: ReactNode;
  /** A button for a remedy, where there is one. */
  remedy?: (finding: Finding, remedy: Schemas["RemedyView"]) => ReactNode;
  /** What else can be done about a finding. */
  extra?: (finding: Finding) => ReactNode;
  /** Called with the first state in which a finding shows. */
  onStates?: (state: Schemas["SwitchingState"]) => void;
}) {
  if (findings.length === 0) {
    return (
      <div className="flex gap-2.5">
        <Mark kind="OK" />
        <div className="text-sm">{empty}</div>
      </div>
    );
  }
  return (
    <ul className="space-y-4">
      {findings.map((finding) => (
        <li
          key={`${finding.code} ${finding.subject} ${finding.facts}`}
          className="border-line flex gap-2.5 border-b border-dashed pb-4"
        >
          <Mark kind={finding.severity} />
          <div className="min-w-0 text-sm">
            <h3 className="text-[15px] leading-snug">{finding.title}</h3>
            <p className="mt-0.5 break-words">{finding.reason}</p>
            <div className="mt-2 flex flex-wrap gap-1.5">
              {finding.remedies.map((r) => remedy?.(finding, r) ?? <RemedyText key={r.text} text={r.text} />)}
              {onStates && finding.states[0] && (
                <button
                  type="button"
                  className="btn btn-xs btn-outline"
                  onClick={() => finding.states[0] && onStates(finding.states[0])}
                >
                  show the state
                </button>
              )}
            </div>
            {extra?.(finding)}
            <p className="text-soft mt-1.5 text-[13px]">{finding.source}</p>
          </div>
        </li>
      ))}
    </ul>
  );
}

function RemedyText({ text }: { text: string }) {
  return <span className="border-line rounded-[3px] border px-1.5 py-0.5 text-[13px]">{text}</span>;
}
