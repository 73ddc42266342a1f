import { Link } from "react-router";
import type { Schemas } from "../../api/transport";
import { Mark } from "../../ui/Mark";
import { STANDING } from "./TestLine";
import { Sideways } from "../../ui/Sideways";

type Test = Schemas["TestView"];

/** Gravest first: what a cell shows of several tests. */
const ORDER: Test["standing"][] = ["FAILED", "AGAIN", "OPEN", "PASSED"];

/** Every box with every kind of test: what is missing is seen at a glance. */
export function RecordGrid({ job, record }: { job: string; record: Schemas["HandoverView"] }) {
  const kinds = new Map(
    record.boxes.flatMap((box) =>
      box.outputs.flatMap((output) => output.tests.map((test) => [test.kind, test.label] as const)),
    ),
  );
  return (
    <Sideways label="Tests by box">
      <table className="w-full text-left text-[14px]">
        <thead>
          <tr className="border-edge border-b text-[13px]">
            <th className="py-1 pr-2">Box</th>
            {[...kinds].map(([kind, label]) => (
              <th key={kind} className="px-2 py-1">
                {label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {record.boxes.map((box) => {
            const tests = box.outputs.flatMap((output) => output.tests);
            return (
              <tr key={box.box} className="border-line border-b">
                <th className="py-1 pr-2 font-normal whitespace-nowrap">
                  <Link className="text-primary underline" to={`/jobs/${job}/boxes/${box.box}/hand-over`}>
                    {box.label}
                  </Link>{" "}
                  <span className="text-soft">{box.room}</span>
                </th>
                {[...kinds.keys()].map((kind) => (
                  <Cell key={kind} tests={tests.filter((test) => test.kind === kind)} />
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </Sideways>
  );
}

function Cell({ tests }: { tests: Test[] }) {
  if (tests.length === 0) {
    return <td className="text-soft px-2">–</td>;
  }
  const worst = ORDER.find((standing) => tests.some((test) => test.standing === standing)) ?? "OPEN";
  const { mark, words } = STANDING[worst];
  const passed = tests.filter((test) => test.standing === "PASSED").length;
  return (
    <td className="px-2 py-1">
      <span className="flex items-center gap-1.5" title={words}>
        {mark ? (
          <Mark kind={mark} size={18} />
        ) : (
          <span className="border-edge block size-[16px] rounded-[3px] border-[1.5px]" aria-hidden />
        )}
        <span className="font-mono text-[13px]">
          {passed}/{tests.length}
        </span>
      </span>
    </td>
  );
}
