import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useDeferredValue, useEffect, useMemo, useReducer, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { useBoxChanged } from "../../api/changed";
import { ApiProblem, type Schemas } from "../../api/transport";
import { regionsOptions } from "../job/api";
import { api, surveyOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { Choice } from "../../ui/Choice";
import { LengthField } from "../../ui/LengthField";
import { TextField } from "../../ui/TextField";
import { setUnits, useUnits } from "../../ui/units";
import { useKeys } from "../../ui/useKeys";
import { SheetLayout } from "../job/SheetLayout";
import { AsText } from "./AsText";
import { BoxPicture } from "./BoxPicture";
import { CableCards } from "./CableCards";
import { draftReducer, type Survey } from "./draft";
import { GangTable } from "./GangTable";
import { JumperList } from "./JumperList";
import { ModulesInPlace } from "./ModulesInPlace";
import { NotLookedAt } from "./NotLookedAt";
import { Photos } from "./Photos";
import { WholeBox } from "./WholeBox";

type Props = {
  job: Schemas["JobView"];
  room: Schemas["RoomView"];
  kept?: Schemas["SurveyView"];
  start: Survey;
  margin: ReactNode;
  noteCount: number;
};

/** Everything that is found in a box, typed in the order in which one looks at it. */
export function SurveySheet({ job, room, kept, start, margin, noteCount }: Props) {
  const [draft, change] = useReducer(draftReducer, { now: start, past: [], future: [] });
  const [base, setBase] = useState({ version: kept?.version ?? 0, survey: kept ? start : undefined });
  // The picture comes first; the hundreds of choices below it follow in the same breath.
  const inFull = useDeferredValue(true, false);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const changed = useBoxChanged(job.id, kept?.id ?? "new");
  const survey = draft.now;
  const dirty = survey !== base.survey;
  const set = (to: Survey) => change({ do: "change", to });
  const issuedOnIt = kept?.issuedOnIt ?? [];
  // What was issued is opened again by hand and never by resting.
  const byItself = Boolean(kept) && issuedOnIt.length === 0;
  const keep = useMutation({
    mutationFn: (to: Survey) =>
      kept
        ? api.recordSurvey(kept.id, { version: base.version, survey: to }, !byItself)
        : api.addBox(room.id, to),
    onSuccess: async (view, to) => {
      setBase({ version: view.version, survey: to });
      await changed();
      if (!kept) {
        navigate(`/jobs/${job.id}/boxes/${view.id}/survey`, { replace: true });
      }
    },
  });
  const begin = (from: Schemas["SurveyView"]) => {
    change({ do: "start", from: from.survey });
    setBase({ version: from.version, survey: from.survey });
  };
  const reload = async () => {
    await changed();
    if (kept) {
      keep.reset();
      begin(await queries.fetchQuery(surveyOptions(kept.id)));
    }
  };
  useAutosave(byItself && dirty && !keep.isPending, survey, keep.mutate);
  useEffect(() => {
    if (kept && kept.version > base.version && !dirty && !keep.isPending) {
      change({ do: "start", from: kept.survey });
      setBase({ version: kept.version, survey: kept.survey });
    }
  }, [kept, base.version, dirty, keep.isPending]);
  const keys = useMemo(() => {
    const undo = () => change({ do: "undo" });
    const redo = () => change({ do: "redo" });
    const like = () => kept && navigate(`/jobs/${job.id}/boxes/new/survey?room=${room.id}&like=${kept.id}`);
    return { u: undo, U: redo, k: () => dirty && keep.mutate(survey), n: like };
  }, [kept, dirty, survey, job.id, room.id, navigate, keep.mutate]);
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
      <div className="space-y-6 pb-20">
        <NotLookedAt survey={survey} onChange={set} />
        <BoxPicture job={job} survey={survey} onChange={set} />
        <AsText job={job.id} survey={survey} onChange={set} />
        {inFull && (
          <>
            <Geometry job={job} survey={survey} onChange={set} />
            <GangTable job={job} survey={survey} onChange={set} />
            <CableCards job={job} survey={survey} onChange={set} />
            <JumperList job={job} survey={survey} onChange={set} />
            <ModulesInPlace job={job} survey={survey} onChange={set} />
            {kept && <Photos box={kept.id} />}
            {kept && <WholeBox job={job} survey={kept} version={base.version} />}
          </>
        )}
      </div>
      <div className="no-print bg-base-100 border-line sticky bottom-0 -mx-4 space-y-2 border-t px-4 py-3 sm:-mx-5 sm:px-5">
        {keep.isError && (
          <Failure
            error={keep.error}
            onRetry={conflict ? reload : undefined}
            retry="load the box as it is now"
          />
        )}
        <div className="flex items-center gap-3">
          <button
            type="button"
            className={`btn ${dirty ? "btn-primary" : "btn-outline"}`}
            disabled={!dirty || keep.isPending}
            onClick={() => keep.mutate(survey)}
          >
            {issuedOnIt.length > 0 && dirty
              ? `keep, and open ${issuedOnIt.join(", ")} again`
              : "keep the survey"}
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
            {stateOf(keep.isPending, dirty, byItself && !keep.isError, issuedOnIt)}
          </span>
        </div>
      </div>
    </SheetLayout>
  );
}

/** Milliseconds of rest after which a change is kept. */
const REST = 1500;

/** Keeps a change once the person rests. A change that was refused waits for the next one. */
function useAutosave(wanted: boolean, survey: Survey, keep: (survey: Survey) => void) {
  const refused = useRef<Survey>(undefined);
  useEffect(() => {
    if (!wanted || refused.current === survey) {
      return;
    }
    const timer = setTimeout(() => {
      refused.current = survey;
      keep(survey);
    }, REST);
    return () => clearTimeout(timer);
  }, [wanted, survey, keep]);
}

function stateOf(keeping: boolean, dirty: boolean, byItself: boolean, issuedOnIt: string[]): string {
  if (keeping) {
    return "keeping …";
  }
  if (!dirty) {
    return "kept";
  }
  if (issuedOnIt.length > 0) {
    return `changes are not kept yet: the plan issued for ${issuedOnIt.join(", ")} rests on this survey and has to be issued again`;
  }
  return byItself ? "is kept in a moment" : "changes are not kept yet";
}

const KINDS: { value: NonNullable<Survey["kind"]>; label: string }[] = [
  { value: "WALL", label: "wall box" },
  { value: "JUNCTION", label: "junction box" },
  { value: "LUMINAIRE", label: "lamp place" },
  { value: "CEILING_ROSE", label: "ceiling rose" },
  { value: "CANOPY", label: "fan canopy" },
  { value: "SOCKET", label: "socket box" },
  { value: "PANEL", label: "panel" },
];

const SIZES = [
  { field: "widthMm", label: "Width inside", least: 10 },
  { field: "heightMm", label: "Height inside", least: 10 },
  { field: "depthMm", label: "Depth", least: 5 },
] as const;

function Geometry({
  job,
  survey,
  onChange,
}: {
  job: Schemas["JobView"];
  survey: Survey;
  onChange: (survey: Survey) => void;
}) {
  const { geometry } = survey;
  const regions = useQuery(regionsOptions);
  const units = useUnits(job);
  const boxes = regions.data?.find((each) => each.region === job.region)?.boxes ?? [];
  const standard = boxes.find(
    (box) =>
      box.widthMm === geometry.widthMm &&
      box.heightMm === geometry.heightMm &&
      box.depthMm === geometry.depthMm,
  );
  const size = (field: (typeof SIZES)[number]["field"]) => (mm: number) =>
    onChange({ ...survey, geometry: { ...geometry, [field]: mm, asUsual: undefined } });
  const take = (name: string) => {
    const box = boxes.find((each) => each.name === name);
    if (box) {
      const { widthMm, heightMm, depthMm, metal, markedCubicInches } = box;
      const round = box.round ? true : undefined;
      onChange({ ...survey, geometry: { widthMm, heightMm, depthMm, metal, markedCubicInches, round } });
    }
  };
  return (
    <section aria-label="Box">
      <div className="mb-2 flex items-baseline justify-between">
        <h2 className="text-[16px]">Box</h2>
        {geometry.asUsual && (
          <button
            type="button"
            className="btn btn-xs border-warning text-warning bg-base-100"
            onClick={() => onChange({ ...survey, geometry: { ...geometry, asUsual: undefined } })}
          >
            as usual, not measured: it is so
          </button>
        )}
        <button
          type="button"
          className="link text-sm"
          onClick={() => setUnits(units === "us" ? "metric" : "us")}
        >
          show {units === "us" ? "millimetres" : "inches"}
        </button>
      </div>
      <div className="grid grid-cols-2 items-end gap-3 sm:grid-cols-4">
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
        <div className="col-span-2">
          <Choice
            label="As it is sold"
            value={standard?.name ?? ""}
            options={[
              { value: "", label: "another size" },
              ...boxes.map((box) => ({ value: box.name, label: box.name })),
            ]}
            onChange={take}
          />
        </div>
        {SIZES.map(({ field, label, least }) => (
          <LengthField
            key={field}
            label={label}
            mm={geometry[field]}
            least={least}
            job={job}
            onChange={size(field)}
          />
        ))}
        {job.countsBoxVolume && (
          <TextField
            label="Marked volume, in³"
            inputMode="decimal"
            value={geometry.markedCubicInches ? String(geometry.markedCubicInches) : ""}
            onChange={(text) =>
              onChange({
                ...survey,
                geometry: {
                  ...geometry,
                  markedCubicInches: text.trim() ? Number(text.replace(",", ".")) : undefined,
                },
              })
            }
          />
        )}
        {job.countsBoxVolume && survey.kind === "LUMINAIRE" && (
          <label className="block">
            <span className="field-label block">Studs and hickeys, kinds</span>
            <select
              className="select"
              value={geometry.supportFittings ?? ""}
              onChange={(event) =>
                onChange({
                  ...survey,
                  geometry: {
                    ...geometry,
                    supportFittings: event.target.value ? Number(event.target.value) : undefined,
                  },
                })
              }
            >
              <option value="">not looked at (one is counted)</option>
              <option value="0">none</option>
              <option value="1">1</option>
              <option value="2">2</option>
            </select>
          </label>
        )}
        <label className="flex h-10 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={geometry.metal}
            onChange={(e) => onChange({ ...survey, geometry: { ...geometry, metal: e.target.checked } })}
          />
          metal box
        </label>
        <label className="flex h-10 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={geometry.round ?? false}
            onChange={(e) =>
              onChange({ ...survey, geometry: { ...geometry, round: e.target.checked ? true : undefined } })
            }
          />
          round
        </label>
      </div>
      {standard && (
        <p className="text-soft mt-1 text-[13px]">Sizes: {standard.source}. Measure all the same.</p>
      )}
    </section>
  );
}
