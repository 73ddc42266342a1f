import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Schemas } from "../../api/transport";
import { api, brokerAccountsOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { ForLeads } from "../session/ForLeads";

/** How other MQTT clients watch and command the house: where the broker is, its topics, and accounts. */
export function Outside({ job, view }: { job: string; view: Schemas["LiveView"] }) {
  const queries = useQueryClient();
  const accounts = useQuery(brokerAccountsOptions(job));
  const made = useMutation({
    mutationFn: (mayCommand: boolean) => api.makeBrokerAccount(job, { mayCommand }),
    onSuccess: () => queries.invalidateQueries({ queryKey: brokerAccountsOptions(job).queryKey }),
  });
  const take = useMutation({
    mutationFn: (account: string) => api.takeBrokerAccount(job, account),
    onSuccess: (left) => queries.setQueryData(brokerAccountsOptions(job).queryKey, left),
  });
  return (
    <div className="space-y-5">
      <section aria-label="broker">
        <h2 className="mb-1 text-[16px]">Broker</h2>
        <p>
          Any client of MQTT 3.1.1 reaches the house at <Mono>{view.broker.url}</Mono>, below the topic{" "}
          <Mono>{view.broker.root}</Mono>. Only this machine does, unless the broker is told otherwise.
        </p>
        {!view.broker.accountsHere && (
          <p className="border-warning mt-2 border-l-4 pl-3 text-[14px]">
            The broker is one of your own: accounts and what they may do are kept there, not here.
          </p>
        )}
      </section>
      {view.broker.accountsHere && (
        <section aria-label="accounts">
          <h2 className="mb-1 text-[16px]">Accounts</h2>
          {made.isError && <Failure error={made.error} />}
          {take.isError && <Failure error={take.error} />}
          {made.data && (
            <p className="border-accent mb-2 border-l-4 pl-3">
              <Mono>{made.data.account.user}</Mono> with password <Mono>{made.data.password}</Mono>. The
              password is shown this once.
            </p>
          )}
          <ul className="mb-2">
            {accounts.data?.map((account) => (
              <li key={account.id} className="border-line flex flex-wrap items-center gap-3 border-b py-1">
                <Mono>{account.user}</Mono>
                <span className="text-soft flex-1 text-[14px]">
                  {account.mayCommand ? "watches and commands" : "watches"}, made by {account.madeBy} on{" "}
                  {account.madeAt.slice(0, 10)}
                </span>
                <ForLeads>
                  <button
                    type="button"
                    className="btn btn-xs btn-outline"
                    disabled={take.isPending}
                    onClick={() => take.mutate(account.id)}
                  >
                    take away
                  </button>
                </ForLeads>
              </li>
            ))}
          </ul>
          {accounts.data?.length === 0 && <p className="text-soft mb-2">Nobody outside may come in yet.</p>}
          <ForLeads otherwise={<p className="text-soft">A lead makes accounts.</p>}>
            <div className="flex flex-wrap gap-2">
              <button
                type="button"
                className="btn btn-sm btn-outline"
                disabled={made.isPending}
                onClick={() => made.mutate(false)}
              >
                make one that watches
              </button>
              <button
                type="button"
                className="btn btn-sm btn-outline"
                disabled={made.isPending}
                onClick={() => made.mutate(true)}
              >
                make one that commands
              </button>
            </div>
          </ForLeads>
        </section>
      )}
      <section aria-label="topics">
        <h2 className="mb-1 text-[16px]">Topics</h2>
        <p className="mb-2 text-[14px]">
          States, readings and what each device is are retained. An order is JSON and says one thing:{" "}
          <Mono>{'{"level":100}'}</Mono>, <Mono>{'{"toggle":true}'}</Mono> or <Mono>{'{"move":"UP"}'}</Mono>.
        </p>
        <table className="w-full text-left text-[14px]">
          <thead>
            <tr className="border-edge border-b text-[13px]">
              <th className="py-1 pr-2">Output</th>
              <th className="py-1">Orders go to</th>
            </tr>
          </thead>
          <tbody>
            {view.outputs.map((output) => (
              <tr key={output.id} className="border-line border-b">
                <th className="py-1 pr-2 font-normal">{output.name}</th>
                <td className="py-1">
                  <Mono>{output.topic.replace(`${view.broker.root}/`, "… /")}</Mono>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
}

function Mono({ children }: { children: React.ReactNode }) {
  return <code className="font-mono text-[13px] break-all">{children}</code>;
}
