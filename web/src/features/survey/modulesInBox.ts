import { useQuery } from "@tanstack/react-query";
import { stockOptions } from "../stock/api";
import { endsOnModule, type Survey } from "./draft";

/** A module that is in the box already, with its terminals as the stock book has them. */
export type ModuleInBox = { number: number; name: string; terminals: string[] };

/** Modules in the box whose terminals are known; one that has ends and is not known any more keeps a line of its own. */
export function useModulesInBox(survey: Survey): ModuleInBox[] {
  const listed = survey.modules ?? [];
  const stock = useQuery({ ...stockOptions, enabled: listed.length > 0 });
  const known = (stock.data?.modules ?? []).map((item) => item.document);
  return listed
    .map((module, index) => ({
      number: index + 1,
      name: module.name || `module ${index + 1}`,
      terminals:
        known.find((each) => each.code === module.name.trim())?.terminals.map((terminal) => terminal.name) ??
        [],
    }))
    .filter((module) => module.terminals.length > 0 || endsOnModule(survey, module.number) > 0);
}
