import { useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";
import type { Schemas } from "../../api/transport";
import { surveyOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { Waiting } from "../../ui/Waiting";
import { likeThis, newSurvey, nextLabel } from "./draft";
import { SurveyMargin } from "./SurveyMargin";
import { SurveySheet } from "./SurveySheet";

type Props = { job: Schemas["JobView"]; box: string; room: string | null };

/** The survey of a box, or of one that is new. */
export function SurveyPage({ job, box, room }: Props) {
  return box === "new" ? <NewBox job={job} room={room} /> : <KnownBox job={job} box={box} />;
}

function NewBox({ job, room }: { job: Schemas["JobView"]; room: string | null }) {
  const like = useSearchParams()[0].get("like");
  const known = useQuery({ ...surveyOptions(like ?? ""), enabled: like !== null });
  const circuit = job.circuits[0];
  const chosen = job.rooms.find((r) => r.id === room) ?? job.rooms[0];
  if (!circuit || !chosen) {
    return <p className="p-6">Add a circuit and a room to the house first.</p>;
  }
  const labels = job.boxes.map((other) => other.label);
  if (known.isError && !known.data) {
    return (
      <div className="p-6">
        <Failure error={known.error} onRetry={() => known.refetch()} />
      </div>
    );
  }
  if (like && known.isPending) {
    return <Waiting what="the box it is like" />;
  }
  return (
    <SurveySheet
      key={like}
      job={job}
      room={chosen}
      start={known.data ? likeThis(known.data.survey, labels) : newSurvey(nextLabel(labels), circuit.id)}
      margin={
        <p className="text-sm">
          Nothing is kept yet. Name the switches, type their loads, then drop the cables.
        </p>
      }
      noteCount={0}
    />
  );
}

function KnownBox({ job, box }: { job: Schemas["JobView"]; box: string }) {
  const survey = useQuery(surveyOptions(box));
  if (survey.isPending) {
    return <Waiting what="the survey" />;
  }
  if (survey.isError && !survey.data) {
    return (
      <div className="p-6">
        <Failure error={survey.error} onRetry={() => survey.refetch()} />
      </div>
    );
  }
  const room = job.rooms.find((r) => r.id === survey.data.roomId);
  return (
    <SurveySheet
      key={survey.data.id}
      job={job}
      room={room ?? { id: survey.data.roomId, version: 0, name: "Box", storey: "" }}
      kept={survey.data}
      start={survey.data.survey}
      margin={<SurveyMargin job={job} survey={survey.data} />}
      noteCount={survey.data.findings.length}
    />
  );
}
