import type { Schemas } from "../../api/transport";

/** Labels of the boxes that a work opens, in words. */
export function labelsOf(job: Pick<Schemas["JobView"], "boxes">, opens: string[]): string {
  const labels = opens.map((id) => job.boxes.find((b) => b.id === id)?.label ?? "a box that is gone");
  return labels.length > 1 ? `${labels.slice(0, -1).join(", ")} and ${labels.at(-1)}` : labels.join("");
}

/** Where something comes for whoever stands at a box: what is here and at the board before what is elsewhere. */
export const rank = (at: string, here: string) => (at === "" || at === here ? 0 : 1);

/** A step with what is done at this box before the rest. */
export function nearestFirst(step: Schemas["StepView"], here: string): Schemas["StepView"] {
  const sorted = <T extends { box: string }>(items: T[]) =>
    [...items].sort((a, b) => rank(a.box, here) - rank(b.box, here));
  return { ...step, confirms: sorted(step.confirms), readings: sorted(step.readings) };
}
