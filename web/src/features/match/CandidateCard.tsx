import type { Schemas } from "../../api/transport";
import { money } from "../../ui/figures";
import { Mark } from "../../ui/Mark";
import { MarginBar } from "../../ui/MarginBar";
import { RoomPicture } from "./RoomPicture";

type Props = {
  candidate: Schemas["CandidateView"];
  rank?: number;
  picked: boolean;
  busy: boolean;
  onPick: () => void;
  /** Inside of the box, to draw the module into. */
  inside?: Schemas["Geometry"];
};

const EDGE = { OK: "border-success", HOLD: "border-warning", STOP: "border-error" };

/** A module with its margins and all reasons. */
export function CandidateCard({ candidate, rank, picked, busy, onPick, inside }: Props) {
  const fits = candidate.verdict === "OK";
  const tooMany = candidate.findings.some((f) => f.code === "TOO_FEW_CHANNELS");
  return (
    <li
      data-module={candidate.moduleCode}
      className={`bg-base-100 rounded-[4px] border-[1.5px] p-3 ${EDGE[candidate.verdict]} ${picked ? "outline-primary outline-2 outline-offset-2" : ""}`}
    >
      <div className="flex flex-wrap gap-x-4 gap-y-2">
        <span className="font-head w-8 pt-0.5 text-center text-2xl font-bold">
          {fits ? rank : <Mark kind={candidate.verdict} size={24} />}
        </span>
        <div className="min-w-[210px] flex-1">
          <h2 className="text-[16px] leading-snug first-letter:uppercase">
            {candidate.name}{" "}
            <span className="text-soft font-mono text-[14px]">
              {candidate.moduleCode}
              {candidate.companionCode && ` with ${candidate.companionCode}`}
            </span>
          </h2>
          <p className="text-soft text-[13px]">
            {candidate.maker} · {candidate.protocol} · {money(candidate.price)} ·{" "}
            {candidate.worksWithoutInternet ? "works without internet" : "needs internet"} ·{" "}
            {candidate.schemeLabel}
          </p>
          <ul className="mt-1.5 space-y-1 text-[14px]">
            {candidate.findings.map((finding) => (
              <li key={`${finding.code} ${finding.subject} ${finding.facts}`} className="flex gap-1.5">
                <span className="pt-[3px]">
                  <Mark kind={finding.severity} size={13} />
                </span>
                <span>{finding.reason}</span>
              </li>
            ))}
            {candidate.findings.length === 0 && <li className="text-soft">All checks pass.</li>}
          </ul>
        </div>
        <ul className="w-full space-y-1 sm:w-[290px]">
          {candidate.margins.map((margin) => (
            <MarginBar key={`${margin.what} ${margin.unit}`} margin={margin} />
          ))}
        </ul>
        {candidate.room && inside && <RoomPicture room={candidate.room} inside={inside} />}
        <div className="flex w-full justify-end sm:w-auto sm:items-start">
          <button
            type="button"
            className={`btn btn-sm ${fits && !picked && rank === 1 ? "btn-primary" : "btn-outline"}`}
            onClick={onPick}
            disabled={busy || picked || tooMany}
            aria-label={picked ? `${candidate.moduleCode} is picked` : `pick ${candidate.moduleCode}`}
          >
            {picked ? "picked" : fits ? "pick" : "try it"}
          </button>
        </div>
      </div>
    </li>
  );
}
