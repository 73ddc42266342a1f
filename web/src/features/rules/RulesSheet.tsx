import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useMemo, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, rulesOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { counted } from "../../ui/figures";
import { useKeys } from "../../ui/useKeys";
import { Tabs } from "../../ui/Tabs";
import { Waiting } from "../../ui/Waiting";
import { HousePages } from "../house/HousePages";
import { MarginNotes } from "../job/MarginNotes";
import { SheetLayout } from "../job/SheetLayout";
import { DelaysForm } from "./DelaysForm";
import { HouseFacts } from "./HouseFacts";
import { LinkList } from "./LinkList";
import { ReachGrid } from "./ReachGrid";
import { RuleCard } from "./RuleCard";
import { StoryCard } from "./StoryCard";

type View = Schemas["RulesView"];
type Page = "sentences" | "reach" | "stories";
const PAGES: Page[] = ["sentences", "reach", "stories"];

/** Links and rules of the house: sentences, what is found of them, and what works when something is down. */
export function RulesSheet({ job, box }: { job: Schemas["JobView"]; box?: string }) {
  const queries = useQueryClient();
  const rules = useQuery(rulesOptions(job.id));
  const [page, setPage] = useState<Page>("sentences");
  const act = useMutation({
    mutationFn: (change: () => Promise<View>) => change(),
    onSuccess: (view) => queries.setQueryData(rulesOptions(job.id).queryKey, view),
  });
  const version = rules.data?.version;
  const undoable = rules.data?.undoable;
  const undo = useCallback(() => {
    if (version !== undefined && undoable) {
      act.mutate(() => api.undoRules(job.id, version));
    }
  }, [act.mutate, job.id, version, undoable]);
  useKeys(useMemo(() => ({ u: undo }), [undo]));
  if (rules.isPending) {
    return <Waiting what="the rules" />;
  }
  const view = rules.data;
  const fix = (f: Schemas["FixView"]) =>
    view &&
    act.mutate(() => api.fixRules(job.id, { version: view.version, kind: f.kind, subjects: f.subjects }));
  const foundFor = (finding: Schemas["FindingView"]) =>
    view?.findings.find((f) => f.finding.code === finding.code && f.finding.reason === finding.reason);
  return (
    <SheetLayout
      title={page === "reach" ? "What still works when something is down" : "Rules of the house"}
      detail={box ? `${job.name}, all rooms` : <HousePages job={job.id} page="/rules" />}
      actions={<Tabs label="Rules" pages={PAGES} page={page} onPage={setPage} />}
      margin={
        view && (
          <MarginNotes
            findings={view.findings.map((f) => f.finding)}
            empty={
              view.rules.length === 0
                ? "No rules yet. Add one by a recipe, or let a switch act on another lamp."
                : "Everything that can set something going was let happen: nothing was found."
            }
            remedy={() => <span hidden />}
            extra={(finding) => (
              <div className="mt-2 flex flex-wrap gap-1.5">
                {foundFor(finding)?.fixes.map((f) => (
                  <button
                    key={f.kind + f.subjects.join()}
                    type="button"
                    className="btn btn-xs btn-outline btn-primary"
                    disabled={act.isPending}
                    onClick={() => fix(f)}
                  >
                    {f.words}
                  </button>
                ))}
              </div>
            )}
          />
        )
      }
      noteCount={view?.findings.length ?? 0}
    >
      {rules.isError && <Failure error={rules.error} onRetry={() => rules.refetch()} />}
      {act.isError && <Failure error={act.error} />}
      {view?.lost.map((words) => (
        <p key={words} className="border-warning mb-2 border-l-4 pl-3 text-[14px]">
          Left out: {words}.
        </p>
      ))}
      {view && page === "reach" && (
        <>
          <ReachGrid reach={view.reach} />
          <DelaysForm job={job.id} view={view} act={act.mutate} busy={act.isPending} />
        </>
      )}
      {view && page === "stories" && (
        <div className="grid gap-3 lg:grid-cols-2">
          {view.findings
            .filter((f) => f.story.length > 0)
            .map((f) => (
              <StoryCard key={f.finding.code + f.rules.join()} found={f} busy={act.isPending} onFix={fix} />
            ))}
          {view.findings.every((f) => f.story.length === 0) && (
            <p className="text-soft">No course of events goes wrong.</p>
          )}
        </div>
      )}
      {view && page === "sentences" && (
        <div className="space-y-4">
          {view.undoable && (
            <button
              type="button"
              className="btn btn-sm btn-outline float-right"
              disabled={act.isPending}
              onClick={undo}
            >
              <kbd className="text-soft font-mono text-[12px]">u</kbd> undo the last change
            </button>
          )}
          <AddRule
            view={view}
            busy={act.isPending}
            onAdd={(recipe) => act.mutate(() => api.addRule(job.id, { version: view.version, recipe }))}
            onOwn={() => act.mutate(() => api.addRule(job.id, { version: view.version }))}
          />
          <ul className="grid gap-3 lg:grid-cols-2">
            {view.rules.map((rule) => (
              <li key={rule.id}>
                <RuleCard job={job.id} view={view} rule={rule} act={act.mutate} busy={act.isPending} />
              </li>
            ))}
          </ul>
          <LinkList job={job.id} view={view} act={act.mutate} busy={act.isPending} />
          <HouseFacts job={job} view={view} act={act.mutate} busy={act.isPending} />
        </div>
      )}
    </SheetLayout>
  );
}

/** Recipes that this house has the devices for. */
function AddRule({
  view,
  busy,
  onAdd,
  onOwn,
}: {
  view: View;
  busy: boolean;
  onAdd: (recipe: Schemas["RecipeView"]["recipe"]) => void;
  onOwn: () => void;
}) {
  return (
    <div className="flex flex-wrap items-center gap-3">
      <label className="flex items-center gap-2">
        <span className="font-semibold">Add a rule</span>
        <select
          className="select w-72"
          value=""
          disabled={busy}
          onChange={(e) => e.target.value && onAdd(e.target.value as Schemas["RecipeView"]["recipe"])}
        >
          <option value="">by a recipe…</option>
          {view.recipes.map((r) => (
            <option key={r.recipe} value={r.recipe} disabled={!r.available}>
              {r.label}
              {r.available ? "" : ` (takes ${r.needs})`}
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="btn btn-outline" disabled={busy || view.devices === 0} onClick={onOwn}>
        one of our own
      </button>
      <span className="text-soft text-[14px]">
        {counted(view.devices, "device")}, {counted(view.rules.length, "rule")},{" "}
        {counted(view.links.length, "link")}
      </span>
    </div>
  );
}
