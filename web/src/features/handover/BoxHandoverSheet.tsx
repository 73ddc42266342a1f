import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { jobOptions } from "../job/api";
import type { Schemas } from "../../api/transport";
import { api, handoverOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { Waiting } from "../../ui/Waiting";
import { SheetLayout } from "../job/SheetLayout";
import { type Found, TestLine } from "./TestLine";

/** The tests of one box, one after the other. The next one to make stands open. */
export function BoxHandoverSheet({ job, box }: { job: Schemas["JobView"]; box: string }) {
  const queries = useQueryClient();
  const record = useQuery(handoverOptions(job.id));
  const [chosen, choose] = useState<string | null>();
  const enter = useMutation({
    mutationFn: (body: Schemas["FoundAtTest"]) => api.enterHandoverTest(job.id, body),
    onSuccess: async (answer) => {
      queries.setQueryData(handoverOptions(job.id).queryKey, answer);
      choose(undefined);
      await queries.invalidateQueries({ queryKey: jobOptions(job.id).queryKey });
    },
  });
  if (record.isPending) {
    return <Waiting what="the record" />;
  }
  const own = record.data?.boxes.find((each) => each.box === box);
  const tests = own?.outputs.flatMap((output) => output.tests) ?? [];
  const next = tests.find((test) => test.standing !== "PASSED")?.id;
  const open = chosen === undefined ? next : chosen;
  const made = tests.filter((test) => test.standing === "PASSED").length;
  return (
    <SheetLayout
      title="Hand over"
      detail={own ? `${own.label}, ${own.room}` : undefined}
      actions={
        <Link className="btn btn-sm btn-outline no-print" to={`/jobs/${job.id}/hand-over`}>
          papers of the house
        </Link>
      }
    >
      {record.isError && <Failure error={record.error} onRetry={() => record.refetch()} />}
      {enter.isError && <Failure error={enter.error} />}
      {!own && (
        <p>
          No module sits in this box, so there is nothing to test here. Pick one in Match, or choose the box
          in which its module sits.
        </p>
      )}
      {own && (
        <>
          <p role="status" className="mb-3 text-[16px]">
            <b>
              {made} of {tests.length}
            </b>{" "}
            tests as planned{own.count.failed > 0 && `, ${own.count.failed} failed`}
            {own.count.again > 0 && `, ${own.count.again} to be made again`}.
          </p>
          {own.outputs.map((output) => (
            <section key={output.output} aria-label={output.name} className="mb-6 max-w-[80ch]">
              <h2 className="mb-1 text-[17px]">{output.name}</h2>
              <ul>
                {output.tests.map((test) => (
                  <TestLine
                    key={test.id}
                    test={test}
                    open={open === test.id}
                    busy={enter.isPending}
                    onOpen={() => choose(open === test.id ? null : test.id)}
                    onFound={(found: Found) => enter.mutate({ test: test.id, ...found })}
                  />
                ))}
              </ul>
            </section>
          ))}
        </>
      )}
    </SheetLayout>
  );
}
