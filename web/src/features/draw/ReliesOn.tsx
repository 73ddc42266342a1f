import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { moment } from "../../ui/figures";

/** What a verdict takes for granted: it is worth what these are worth. */
export function ReliesOn({ plan }: { plan: Schemas["PlanView"] }) {
  return (
    <div className="text-[14px]">
      <details>
        <summary className="cursor-pointer py-1">
          Relies on {plan.reliesOn.length} {plan.reliesOn.length === 1 ? "thing" : "things"}
        </summary>
        <ul className="list-disc space-y-0.5 pl-5">
          {plan.reliesOn.map((relied) => (
            <li key={relied.what}>
              {relied.what}
              {relied.by && relied.at && (
                <span className="text-soft">
                  , as {relied.by} left it, {moment(relied.at)}
                </span>
              )}
            </li>
          ))}
        </ul>
      </details>
      <Link to="/proof" className="link inline-block py-1">
        what PROVED means
      </Link>
    </div>
  );
}
