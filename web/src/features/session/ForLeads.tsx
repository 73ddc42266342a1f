import type { ReactNode } from "react";
import { useLeads } from "./api";

/** What a fitter is not shown, because the server would refuse it. */
export function ForLeads({ children, otherwise }: { children: ReactNode; otherwise?: ReactNode }) {
  return useLeads() ? children : otherwise;
}
