import { useMutation } from "@tanstack/react-query";
import { type ReactNode, useMemo, useReducer } from "react";
import { Link, useNavigate } from "react-router";
import { ApiProblem, api, type Schemas } from "../../api/client";
import { useBoxChanged } from "../../api/queries";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/TextField";
import { useKeys } from "../../ui/useKeys";
import { SheetLayout } from "../job/SheetLayout";
import { AsText } from "./AsText";
import { CableCards } from "./CableCards";
import { draftReducer, type Survey } from "./draft";
import { GangTable } from "./GangTable";
import { JumperList } from "./JumperList";

type Props = {
  job: Schemas["JobView"];
  room: Schemas["RoomView"];
  kept?: Schemas["SurveyView"];
  start: Survey;
  picture?: ReactNode;
  margin: ReactNode;
  noteCount: number;
};

/** Everything that is found in a box, typed in the order in which one looks at it. */
export function SurveySheet({ job, room, kept, start, picture, margin, noteCount }: Props) {
  const [draft, change] = useReducer(draftReducer, { now: start, past: [], future: [] });
  const navigate = useNavigate();
  const changed = useBoxChanged(job.id, kept?.id ?? "new");
  const survey = draft.now;
  const dirty = !kept || draft.past.length > 0;
  const set = (to: Survey) => change({ do: "change", to });
  const keep = useMutation({
    mutationFn: () =>
      kept ? api.recordSurvey(kept.id, { version: kept.version, survey }) : api.addBox(room.id, survey),
    onSuccess: async (view) => {
      await changed();
      if (!kept) {
        navigate(`/jobs/${job.id}/boxes/${view.id}/survey`, { replace: true });
      }
    },
  });
  const keys = useMemo(() => {
    const undo = () => change({ do: "undo" });
    const redo = () => change({ do: "redo" });
    return { u: undo, U: redo };
  }, []);
  useKeys(keys);
  const conflict = keep.error instanceof ApiProblem && keep.error.status === 409 && kept;

  return (
    <SheetLayout
      title={kept ? `${room.name}, ${survey.label}` : `New box in ${room.name}`}
      detail={kept ? `kept by ${kept.changedBy}, ${moment(kept.changedAt)}` : "not kept yet"}
      actions={
        <span className="no-print flex gap-1.5">
          {kept && (
            <Link
              className="btn btn-sm btn-outline"
              to={`/jobs/${job.id}/boxes/new/survey?room=${room.id}&like=${kept.id}`}
            >
              another like this
            </Link>
          )}
          <button
            type="button"
            className="btn btn-sm btn-outline"
            disabled={draft.past.length === 0}
            onClick={() => change({ do: "undo" })}
            title="undo (u)"
          >
            undo
          </button>
          <button
            type="button"
            className="btn btn-sm btn-outline"
            disabled={draft.future.length === 0}
            onClick={() => change({ do: "redo" })}
            title="redo (U)"
          >
            redo
          </button>
        </span>
      }
      margin={margin}
      noteCount={noteCount}
    >
      {picture}
      <div className="space-y-6 pb-20">
        <AsText job={job.id} survey={survey} onChange={set} />
        <Geometry survey={survey} onChange={set} />
        <GangTable job={job} survey={survey} onChange={set} />
        <CableCards job={job} survey={survey} onChange={set} />
        <JumperList job={job} survey={survey} onChange={set} />
      </div>
      <div className="no-print bg-base-100 border-line sticky bottom-0 -mx-4 space-y-2 border-t px-4 py-3 sm:-mx-5 sm:px-5">
        {keep.isError && (
          <Failure
            error={keep.error}
            onRetry={conflict ? () => changed() : undefined}
            retry="load the box as it is now"
          />
        )}
        <div className="flex items-center gap-3">
          <button
            type="button"
            className={`btn ${dirty ? "btn-primary" : "btn-outline"}`}
            disabled={!dirty || keep.isPending}
            onClick={() => keep.mutate()}
          >
            keep the survey
          </button>
          {kept && !dirty && (
            <button
              type="button"
              className="btn btn-primary"
              onClick={() => navigate(`/jobs/${job.id}/boxes/${kept.id}/match`)}
            >
              match modules
            </button>
          )}
          <span className="text-soft text-sm" role="status">
            {keep.isPending ? "keeping …" : dirty ? "changes are not kept yet" : "kept"}
          </span>
        </div>
      </div>
    </SheetLayout>
  );
}

const KINDS: { value: NonNullable<Survey["kind"]>; label: string }[] = [
  { value: "WALL", label: "wall box" },
  { value: "JUNCTION", label: "junction box" },
  { value: "LUMINAIRE", label: "lamp place" },
  { value: "CANOPY", label: "fan canopy" },
  { value: "SOCKET", label: "socket box" },
  { value: "PANEL", label: "panel" },
];

const SIZES = [
  { field: "widthMm", label: "Width inside, mm", least: 10 },
  { field: "heightMm", label: "Height inside, mm", least: 10 },
  { field: "depthMm", label: "Depth, mm", least: 5 },
] as const;

function Geometry({ survey, onChange }: { survey: Survey; onChange: (survey: Survey) => void }) {
  const { geometry } = survey;
  const size = (field: (typeof SIZES)[number]["field"]) => (text: string) =>
    onChange({ ...survey, geometry: { ...geometry, [field]: Number(text.replace(",", ".")) } });
  return (
    <section aria-label="Box">
      <h2 className="mb-2 text-[16px]">Box</h2>
      <div className="grid grid-cols-2 items-end gap-3 sm:grid-cols-6">
        <TextField
          label="Label"
          value={survey.label}
          onChange={(label) => onChange({ ...survey, label })}
          maxLength={40}
        />
        <Choice
          label="What it is"
          value={survey.kind ?? "WALL"}
          options={KINDS}
          onChange={(kind) => onChange({ ...survey, kind })}
        />
        {SIZES.map(({ field, label, least }) => (
          <TextField
            key={field}
            label={label}
            type="number"
            min={least}
            step="any"
            value={String(geometry[field])}
            onChange={size(field)}
          />
        ))}
        <label className="flex h-10 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={geometry.metal}
            onChange={(e) => onChange({ ...survey, geometry: { ...geometry, metal: e.target.checked } })}
          />
          metal box
        </label>
      </div>
    </section>
  );
}
