import { useMutation, useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { useLeads } from "../session/api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { Mark } from "../../ui/Mark";
import { Scan } from "../../ui/Scan";
import { TextField } from "../../ui/TextField";

type Unit = Schemas["BenchUnitView"];
type Kind = Schemas["Keeping"]["kind"];

/** Shorter texts are still being typed. */
const WORTH_CHECKING = 8;

/** Codes of a module: checked while they are typed, kept sealed, shown on purpose. */
export function CodeForm({ unit, onKept }: { unit: Unit; onKept: () => void }) {
  const [chosen, choose] = useState<Kind | undefined>(unit.kinds[0]?.kind);
  const kind = chosen ?? "ZIGBEE_INSTALL_CODE";
  const label = unit.kinds.find((k) => k.kind === kind)?.label ?? "Code";
  const [text, setText] = useState("");
  const check = useQuery({
    queryKey: ["credential-check", kind, text],
    queryFn: () => api.checkCredential({ kind, text }),
    enabled: text.length >= WORTH_CHECKING,
    gcTime: 0,
  });
  const keep = useMutation({
    mutationFn: () => api.keepCredential(unit.id, { kind, text }),
    onSuccess: () => {
      setText("");
      onKept();
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate();
  };
  return (
    <div className="mb-3">
      {unit.codes.map((code) => (
        <Kept key={code.id} code={code} />
      ))}
      <form onSubmit={submit} className="flex flex-wrap items-end gap-2" aria-label="code of the module">
        {unit.kinds.length > 1 && (
          <Choice
            label="Kind"
            value={kind}
            onChange={choose}
            options={unit.kinds.map((k) => ({ value: k.kind, label: k.label }))}
          />
        )}
        <TextField
          label={label}
          value={text}
          onChange={setText}
          className="min-w-64 flex-1"
          autoComplete="off"
          spellCheck={false}
          required
        />
        <button
          type="submit"
          className="btn btn-sm btn-primary"
          disabled={keep.isPending || check.data?.good !== true}
        >
          keep it sealed
        </button>
        <Scan what="its code" onRead={setText} />
      </form>
      {check.data && text && (
        <div role="status" className="mt-2 text-[14px]">
          {check.data.good ? (
            <p className="flex gap-2">
              <Mark kind="OK" size={15} /> The check comes out.{" "}
              {check.data.facts.map((fact) => `${fact.what} ${fact.value}`).join(", ")}
            </p>
          ) : (
            <p className="flex gap-2">
              <Mark kind="STOP" size={15} /> {check.data.flaw}
            </p>
          )}
          {check.data.slips.length > 0 && (
            <ul className="mt-1.5 flex flex-wrap gap-1.5" aria-label="slips that would explain it">
              {check.data.slips.slice(0, 12).map((slip) => (
                <li key={slip.corrected + slip.words}>
                  <button
                    type="button"
                    className="btn btn-xs btn-outline"
                    onClick={() => setText(slip.corrected)}
                  >
                    {slip.words}?
                  </button>
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
      {keep.isError && <Failure error={keep.error} />}
    </div>
  );
}

function Kept({ code }: { code: Schemas["CredentialView"] }) {
  const [asking, ask] = useState(false);
  const leads = useLeads();
  const [why, setWhy] = useState("");
  const show = useMutation({ mutationFn: () => api.showCredential(code.id, why) });
  return (
    <div className="border-line mb-2 border-l-4 pl-3 text-[14px]">
      <span className="font-semibold">{code.label}</span>{" "}
      <span className="font-mono break-all">{show.data?.text ?? code.masked}</span>{" "}
      {show.data ? (
        <button
          type="button"
          className="btn btn-xs btn-outline"
          onClick={() => {
            show.reset();
            ask(false);
          }}
        >
          hide
        </button>
      ) : (
        leads && (
          <button type="button" className="btn btn-xs btn-outline" onClick={() => ask(!asking)}>
            show
          </button>
        )
      )}
      {asking && !show.data && (
        <form
          className="mt-1 flex flex-wrap items-end gap-2"
          aria-label={`show the ${code.label}`}
          onSubmit={(event) => {
            event.preventDefault();
            show.mutate();
          }}
        >
          <TextField
            label="What for? It is written down with your name"
            value={why}
            onChange={setWhy}
            minLength={5}
            className="min-w-56 flex-1"
            required
          />
          <button type="submit" className="btn btn-sm btn-outline" disabled={show.isPending}>
            show it
          </button>
          {show.isError && <Failure error={show.error} />}
        </form>
      )}
    </div>
  );
}
