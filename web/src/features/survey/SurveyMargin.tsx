import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../api/transport";
import { circuitSumsOptions, needsOptions } from "./api";
import { MarginNotes } from "../job/MarginNotes";

type Props = { job: Schemas["JobView"]; survey: Schemas["SurveyView"] };

/** A figure to know, not a reservation. */
const ROOM: Schemas["FindingView"]["code"] = "ROOM_BEHIND";

/** What is needed next and for which decision; then what the box and its circuits show. */
export function SurveyMargin({ job, survey }: Props) {
  const needs = useQuery(needsOptions(survey.id));
  const sums = useQuery(circuitSumsOptions(job.id));
  const ofCircuits = (sums.data ?? [])
    .filter((sum) => sum.boxes.includes(survey.id))
    .flatMap((sum) => sum.findings);
  return (
    <div className="space-y-5">
      {needs.data && (
        <section aria-label="Needed next">
          <h3 className="mb-1 text-[15px]">Needed next</h3>
          {needs.data.length === 0 ? (
            <p className="text-soft text-sm">Nothing. Every decision about this box has what it needs.</p>
          ) : (
            <ol className="space-y-2 text-sm">
              {needs.data.map((need, at) => (
                <li
                  key={need.fact}
                  className={at === 0 ? "border-primary border-l-4 pl-2" : "border-line border-l pl-2"}
                >
                  {need.fact}
                  <span className="text-soft block text-[13px]">decides {need.decision}</span>
                </li>
              ))}
            </ol>
          )}
        </section>
      )}
      <MarginNotes
        findings={[...survey.findings.filter((finding) => finding.code !== ROOM), ...ofCircuits]}
        empty="The wiring as found shows no fault."
      />
      {survey.findings
        .filter((finding) => finding.code === ROOM)
        .map((finding) => (
          <section key={finding.reason} aria-label={finding.title} className="text-sm">
            <h3 className="text-[15px]">{finding.title}</h3>
            <p>{finding.reason}</p>
            <p className="text-soft text-[13px]">{finding.source}</p>
          </section>
        ))}
    </div>
  );
}
