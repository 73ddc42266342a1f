import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { useFetchAhead } from "./ahead";
import { STAGES } from "./stages";

type Progress = Schemas["StageView"]["progress"];

const PROGRESS: Record<Progress, { words: string; bar: string; width: string }> = {
  OPEN: { words: "open", bar: "bg-edge", width: "w-0" },
  BEGUN: { words: "begun", bar: "bg-success", width: "w-1/2" },
  DONE: { words: "done", bar: "bg-success", width: "w-full" },
  REOPENED: { words: "re-opened", bar: "bg-warning", width: "w-full" },
};

/** The ten stages of the selected box. */
export function Ribbon({
  job,
  box,
  stage,
}: {
  job: Schemas["JobView"];
  box?: Schemas["BoxView"];
  stage?: string;
}) {
  const ahead = useFetchAhead();
  if (!box) {
    return <div className="no-print h-3 shrink-0" />;
  }
  return (
    <nav aria-label="Stages" className="no-print shrink-0 overflow-x-auto px-2 pt-2 sm:px-4">
      <ul className="flex min-w-max gap-1 sm:min-w-0">
        {STAGES.map((s) => {
          const progress = box.stages.find((p) => p.stage === s.code)?.progress;
          const selected = s.path === stage;
          const look = progress && PROGRESS[progress];
          return (
            <li key={s.code} className="min-w-[74px] flex-1 sm:min-w-0">
              <Link
                to={`/jobs/${job.id}/boxes/${box.id}/${s.path}`}
                onPointerEnter={() => ahead(box.id, s.path)}
                onFocus={() => ahead(box.id, s.path)}
                aria-current={selected ? "step" : undefined}
                title={`${s.word}: ${look?.words ?? "open"}`}
                className={`relative block rounded-t-[4px] border-[1.5px] border-b-0 px-1 pt-1 pb-1.5 text-center ${
                  selected ? "bg-base-100 border-base-content font-semibold" : "border-line hover:border-edge"
                }`}
              >
                <span className="font-mono block text-[12px]">{s.key}</span>
                <span className="block text-[14px] leading-tight whitespace-nowrap">{s.word}</span>
                <span className="bg-line mt-1 block h-[3px]">
                  {look && <span className={`block h-full ${look.bar} ${look.width}`} />}
                </span>
                <span className="sr-only">{look?.words ?? ""}</span>
                {progress === "REOPENED" && (
                  <span
                    aria-hidden
                    className="border-r-warning absolute top-0 right-0 border-t-[9px] border-r-[9px] border-t-transparent"
                  />
                )}
              </Link>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
