import type { Schemas } from "../../api/transport";
import { moment } from "../../ui/figures";

/** All steps with what was entered, by whom and when. */
export function StepList({ sheet }: { sheet: Schemas["RunSheetView"] }) {
  const phases = [...new Set(sheet.steps.map((step) => step.phaseLabel))];
  return (
    <div className="mt-2 space-y-4 text-sm">
      {phases.map((phase) => (
        <section key={phase}>
          <h3 className="text-soft border-line mb-1 border-b text-[13px]">{phase}</h3>
          <ol className="space-y-1.5">
            {sheet.steps
              .filter((step) => step.phaseLabel === phase)
              .map((step) => (
                <li
                  key={step.id}
                  aria-current={step.id === sheet.current ? "step" : undefined}
                  className={step.id === sheet.current ? "font-semibold" : step.done ? "" : "text-soft"}
                >
                  <span aria-hidden className="font-mono mr-1">
                    {step.done ? (step.done.skipped ? "–" : "✓") : step.gate ? "▣" : "·"}
                  </span>
                  {step.title}
                  {step.done && (
                    <span className="text-soft block pl-5 text-[13px]">
                      {step.done.skipped && "left out: "}
                      {step.done.who}
                      {step.done.when && `, ${moment(step.done.when)}`}
                      {step.done.inShort && ` · ${step.done.inShort}`}
                      {step.done.note && ` · ${step.done.note}`}
                    </span>
                  )}
                </li>
              ))}
          </ol>
        </section>
      ))}
    </div>
  );
}
