import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api, checksOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { Waiting } from "../../ui/Waiting";
import { CheckResult } from "./CheckResult";
import { Sideways } from "../../ui/Sideways";

type Rehearsed = Schemas["RehearsedView"];

/** The tests of the handover record, tried for every output before anybody stands in the house. */
export function Rehearsal({ job }: { job: string }) {
  const checks = useQuery(checksOptions(job));
  const [tests, setTests] = useState<Rehearsed[]>([]);
  const [done, setDone] = useState(0);
  const [busy, setBusy] = useState(false);
  const [failure, setFailure] = useState<Error>();
  const [open, setOpen] = useState<string>();
  const stop = useRef(false);
  if (checks.isPending) {
    return <Waiting what="the outputs" />;
  }
  const outputs = checks.data?.outputs ?? [];
  const rehearse = async () => {
    stop.current = false;
    setBusy(true);
    setTests([]);
    setFailure(undefined);
    try {
      for (let i = 0; i < outputs.length && !stop.current; i++) {
        setDone(i);
        const output = outputs[i]?.code ?? "";
        const more = await api.rehearseHandover(job, { outputs: [output] });
        setTests((known) => [...known, ...more]);
      }
    } catch (error) {
      setFailure(error as Error);
    }
    setBusy(false);
  };
  const kinds = [...new Map(tests.map((t) => [t.kind, t.label])).entries()];
  const failed = tests.filter((t) => !t.result.passed).length;
  const shown = open
    ? tests.filter((t) => `${t.output} ${t.kind}` === open)
    : tests.filter((t) => !t.result.passed);
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-center gap-3">
        <button type="button" className="btn btn-primary" disabled={busy} onClick={rehearse}>
          rehearse {outputs.length} outputs
        </button>
        {busy && (
          <>
            <progress className="progress progress-primary w-40" value={done} max={outputs.length} />
            <span className="text-[14px]">
              {done} of {outputs.length}
            </span>
            <button
              type="button"
              className="btn btn-sm btn-outline"
              onClick={() => {
                stop.current = true;
              }}
            >
              stop
            </button>
          </>
        )}
        {!busy && tests.length > 0 && (
          <p className="text-[15px]">
            {tests.length} tests, {failed === 0 ? "all as expected" : `${failed} not as expected`}.
          </p>
        )}
      </div>
      {failure && <Failure error={failure} />}
      {tests.length === 0 && !busy && (
        <p className="text-soft">
          Nothing was rehearsed yet. Each output is tried by its switches and by remote, after a power cut,
          and without internet or hub, in a house and on a clock of its own.
        </p>
      )}
      {tests.length > 0 && (
        <Sideways>
          <table className="w-full text-left text-[14px]">
            <thead>
              <tr className="border-edge border-b text-[13px]">
                <th className="py-1 pr-2">Output</th>
                {kinds.map(([kind, label]) => (
                  <th key={kind} className="px-2 py-1">
                    {label}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {outputs
                .filter((output) => tests.some((t) => t.output === output.code))
                .map((output) => (
                  <tr key={output.code} className="border-line border-b">
                    <th className="py-1 pr-2 font-normal">{output.label}</th>
                    {kinds.map(([kind]) => (
                      <Cell
                        key={kind}
                        tests={tests.filter((t) => t.output === output.code && t.kind === kind)}
                        open={open === `${output.code} ${kind}`}
                        onOpen={() =>
                          setOpen(open === `${output.code} ${kind}` ? undefined : `${output.code} ${kind}`)
                        }
                      />
                    ))}
                  </tr>
                ))}
            </tbody>
          </table>
        </Sideways>
      )}
      {!busy &&
        shown.map((test) => (
          <article
            key={`${test.output} ${test.kind} ${test.sentence}`}
            className="border-edge rounded-[4px] border p-3"
          >
            <p>{test.sentence}</p>
            <CheckResult result={test.result} />
          </article>
        ))}
    </div>
  );
}

function Cell({ tests, open, onOpen }: { tests: Rehearsed[]; open: boolean; onOpen: () => void }) {
  if (tests.length === 0) {
    return <td className="text-soft px-2">–</td>;
  }
  const failed = tests.filter((t) => !t.result.passed);
  const slowest = Math.max(...tests.flatMap((t) => t.result.thens.map((then) => then.afterMs ?? 0)));
  return (
    <td className="px-1">
      <button
        type="button"
        aria-expanded={open}
        className={`min-h-8 cursor-pointer rounded-[3px] px-1 whitespace-nowrap underline decoration-dotted underline-offset-4 ${
          failed.length > 0 ? "text-error font-semibold" : ""
        }`}
        onClick={onOpen}
      >
        {failed.length > 0 ? `✗ ${failed.length} of ${tests.length}` : `✓ ${slowest} ms`}
      </button>
    </td>
  );
}
