import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../api/transport";
import { Failure } from "../../ui/Failure";
import { HousePages } from "../house/HousePages";
import { SheetLayout } from "../job/SheetLayout";
import { cableCountsOptions } from "./api";

/** How many cables come into each box. */
export function CablesSheet({ job }: { job: Schemas["JobView"] }) {
  const counts = useQuery(cableCountsOptions(job.id));
  return (
    <SheetLayout title="Cables" detail={<HousePages job={job.id} page="/cables" />}>
      {counts.isError && <Failure error={counts.error} onRetry={() => counts.refetch()} />}
      <ul>
        {counts.data?.map((each) => (
          <li key={each.box}>
            {each.box}: {each.cables}
          </li>
        ))}
      </ul>
    </SheetLayout>
  );
}
