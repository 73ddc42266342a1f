import { queryOptions } from "@tanstack/react-query";
import { ask } from "../../api/transport";

export const cableCountsOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/cable-counts", { params: { path: { job } } }));
