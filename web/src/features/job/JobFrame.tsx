import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { jobOptions } from "./api";
import { fetchSheet } from "./ahead";
import { Failure } from "../../ui/Failure";
import { useKeys } from "../../ui/useKeys";
import { Waiting } from "../../ui/Waiting";
import { BenchSheet } from "../bench/BenchSheet";
import { FeelSheet } from "../feel/FeelSheet";
import { FirmwareSheet } from "../firmware/FirmwareSheet";
import { JoinSheet } from "../join/JoinSheet";
import { DaySheet } from "../day/DaySheet";
import { DrawSheet } from "../draw/DrawSheet";
import { FitSheet } from "../fit/FitSheet";
import { MatchSheet } from "../match/MatchSheet";
import { HouseMatchSheet } from "../house/HouseMatchSheet";
import { PickListSheet } from "../house/PickListSheet";
import { RoomsSheet } from "../house/RoomsSheet";
import { BoxHandoverSheet } from "../handover/BoxHandoverSheet";
import { HouseHandoverSheet } from "../handover/HouseHandoverSheet";
import { LiveSheet } from "../live/LiveSheet";
import { LogSheet } from "../logbook/LogSheet";
import { RulesSheet } from "../rules/RulesSheet";
import { SketchSheet } from "../sketch/SketchSheet";
import { SurveyPage } from "../survey/SurveyPage";
import { type Drawer, DrawerContext } from "./drawers";
import { HouseSheet } from "./HouseSheet";
import { IsolationSheet, IsolationStrip } from "./IsolationStrip";
import { TraceSheet } from "../trace/TraceSheet";
import { NoStageSheet } from "./NoStageSheet";
import { PlateRail } from "./PlateRail";
import { Ribbon } from "./Ribbon";
import { SearchBox } from "./SearchBox";
import { ShortcutSheet } from "./ShortcutSheet";
import { STAGES } from "./stages";
import { TopBar } from "./TopBar";

/** Milliseconds on a sheet after which its neighbours are fetched, for those who walk the boxes by key. */
const SETTLED = 400;

/** The frame of a job: rail, ribbon, sheet with its margin, isolation strip. */
export function JobFrame({ page = "" }: { page?: string }) {
  const { job: jobId = "", box, stage } = useParams();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const job = useQuery(jobOptions(jobId));
  const [drawer, show] = useState<Drawer>(null);
  const [overlay, setOverlay] = useState<"keys" | "isolation" | null>(null);
  const search = useRef<HTMLInputElement>(null);
  const drawers = useMemo(() => ({ drawer, show }), [drawer]);

  const keys = useMemo(() => {
    const toStage = (path: string) => () => box && navigate(`/jobs/${jobId}/boxes/${box}/${path}`);
    const walk = (step: number) => () => {
      const boxes = job.data?.boxes ?? [];
      const at = boxes.findIndex((b) => b.id === box);
      const next = boxes[Math.max(0, Math.min(boxes.length - 1, at + step))];
      if (next) {
        navigate(`/jobs/${jobId}/boxes/${next.id}/${stage ?? "survey"}`);
      }
    };
    const close = () => {
      setOverlay(null);
      show(null);
    };
    return {
      ...Object.fromEntries(STAGES.map((s) => [s.key, toStage(s.path)])),
      ArrowDown: walk(1),
      ArrowUp: walk(-1),
      "/": () => search.current?.focus(),
      "?": () => setOverlay("keys"),
      i: () => setOverlay("isolation"),
      Escape: close,
    };
  }, [box, jobId, stage, navigate, job.data]);
  useKeys(keys);
  const queries = useQueryClient();
  const boxes = job.data?.boxes;
  useEffect(() => {
    const at = boxes?.findIndex((b) => b.id === box) ?? -1;
    const near = at < 0 ? [] : [boxes?.[at + 1], boxes?.[at - 1]];
    const timer = setTimeout(() => {
      for (const other of near) {
        other && stage && fetchSheet(queries, other.id, stage);
      }
    }, SETTLED);
    return () => clearTimeout(timer);
  }, [boxes, box, stage, queries]);

  if (job.isPending) {
    return <Waiting what="the job" />;
  }
  if (job.isError && !job.data) {
    return (
      <main className="mx-auto max-w-xl p-6">
        <Failure error={job.error} onRetry={() => job.refetch()} />
      </main>
    );
  }
  const selected = job.data.boxes.find((b) => b.id === box);
  return (
    <DrawerContext value={drawers}>
      <div className="print-flow flex h-full flex-col">
        <TopBar
          job={job.data}
          onRail={() => show(drawer === "rail" ? null : "rail")}
          search={<SearchBox ref={search} job={job.data} stage={stage ?? "survey"} />}
        />
        <div className="print-flow flex min-h-0 flex-1">
          <PlateRail job={job.data} selected={box} stage={stage ?? "survey"} />
          <div className="print-flow flex min-w-0 flex-1 flex-col">
            <Ribbon job={job.data} box={selected} stage={stage} />
            <div className="print-flow flex min-h-0 flex-1">
              {box ? (
                <Sheet
                  key={box}
                  job={job.data}
                  box={box}
                  stage={stage ?? "survey"}
                  room={params.get("room")}
                />
              ) : (
                <HousePage job={job.data} page={page} />
              )}
            </div>
          </div>
        </div>
        <IsolationStrip job={job.data} onSheet={() => setOverlay("isolation")} />
      </div>
      {overlay === "keys" && <ShortcutSheet onClose={() => setOverlay(null)} />}
      {overlay === "isolation" && <IsolationSheet job={job.data} onClose={() => setOverlay(null)} />}
    </DrawerContext>
  );
}

function HousePage({ job, page }: { job: import("../../api/transport").Schemas["JobView"]; page: string }) {
  switch (page) {
    case "/match":
      return <HouseMatchSheet job={job} />;
    case "/pick-list":
      return <PickListSheet job={job} />;
    case "/bench":
      return <BenchSheet job={job} />;
    case "/day":
      return <DaySheet job={job} />;
    case "/join":
      return <JoinSheet job={job} />;
    case "/firmware":
      return <FirmwareSheet job={job} />;
    case "/rules":
      return <RulesSheet job={job} />;
    case "/live":
      return <LiveSheet job={job} />;
    case "/log":
      return <LogSheet job={job} />;
    case "/hand-over":
      return <HouseHandoverSheet job={job} />;
    case "/sketch":
      return <SketchSheet job={job} />;
    case "/rooms":
      return <RoomsSheet job={job} />;
    default:
      return <HouseSheet job={job} />;
  }
}

type SheetProps = {
  job: import("../../api/transport").Schemas["JobView"];
  box: string;
  stage: string;
  room: string | null;
};

function Sheet({ job, box, stage, room }: SheetProps) {
  switch (stage) {
    case "survey":
      return <SurveyPage job={job} box={box} room={room} />;
    case "trace":
      return <TraceSheet job={job} box={box} />;
    case "match":
      return <MatchSheet job={job} box={box} />;
    case "draw":
      return <DrawSheet job={job} box={box} />;
    case "bench":
      return <BenchSheet job={job} box={box} />;
    case "join":
      return <JoinSheet job={job} box={box} />;
    case "rules":
      return <RulesSheet job={job} box={box} />;
    case "feel":
      return <FeelSheet job={job} box={box} />;
    case "fit":
      return <FitSheet job={job} box={box} />;
    case "hand-over":
      return <BoxHandoverSheet job={job} box={box} />;
    default:
      return <NoStageSheet />;
  }
}
