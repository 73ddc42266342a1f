import { useMutation } from "@tanstack/react-query";
import { Link } from "react-router";
import { useBoxChanged } from "../../api/changed";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Failure } from "../../ui/Failure";

type Props = {
  job: string;
  box: string;
  plan: Schemas["PlanView"];
  finding: Schemas["FindingView"];
  remedy: Schemas["RemedyView"];
  /** The module that comes first of those that fit, unless it is picked. */
  best: string | undefined;
  onPickBest: () => void;
  /** Shows the way at the lamp, where there is one that is not shown. */
  onAtLamp: (() => void) | undefined;
};

const STYLE = "btn btn-xs btn-outline h-auto min-h-6 max-w-full py-0.5 text-left whitespace-normal";

/** A remedy as what it does: it changes the plan, or leads to where it is done. */
export function RemedyButton({ job, box, plan, finding, remedy, best, onPickBest, onAtLamp }: Props) {
  const changed = useBoxChanged(job, box);
  const mend = useMutation({
    mutationFn: () =>
      api.mend(box, {
        version: plan.version,
        code: finding.code,
        subject: finding.subject,
        kind: remedy.kind,
      }),
    onSuccess: changed,
  });
  const here = `/jobs/${job}/boxes/${box}`;
  const { model } = finding;
  switch (remedy.kind) {
    case "OTHER_MODULE":
      return best ? (
        <button type="button" className={STYLE} onClick={onPickBest}>
          {remedy.text}: pick {best}
        </button>
      ) : (
        <Words text={remedy.text} />
      );
    case "WORK_AT_LAMP":
      return onAtLamp ? (
        <button type="button" className={STYLE} onClick={onAtLamp}>
          {remedy.text} instead
        </button>
      ) : (
        <Words text={remedy.text} />
      );
    case "DEEPER_BOX":
    case "ADD_BYPASS":
      return (
        <>
          <Words text={remedy.text} />
          <button type="button" className={STYLE} disabled={mend.isPending} onClick={() => mend.mutate()}>
            {remedy.kind === "DEEPER_BOX" ? "plan a spacer" : "plan a bypass"}
          </button>
          {mend.isError && <Failure error={mend.error} />}
        </>
      );
    case "FIND_OUT":
      return (
        <Link className={STYLE} to={model ? `/stock?module=${model}` : `${here}/survey`}>
          {remedy.text}, note it in the {model ? "stock book" : "survey"}
        </Link>
      );
    case "COMPLETE_SURVEY":
      return (
        <Link className={STYLE} to={`${here}/survey`}>
          {remedy.text}
        </Link>
      );
    case "CHANGE_BEHAVIOUR":
      return (
        <Link className={STYLE} to={`${here}/draw`}>
          {remedy.text}
        </Link>
      );
    default:
      return <Words text={remedy.text} />;
  }
}

function Words({ text }: { text: string }) {
  return <span className="border-line rounded-[3px] border px-1.5 py-0.5 text-[13px]">{text}</span>;
}
