import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Choice } from "../../ui/Choice";

/** Two choices of one house, where they differ. */
export function Compare({ list, shown }: { list: Schemas["ChoiceEntry"][]; shown: Schemas["ChoiceEntry"] }) {
  const others = list.filter((c) => c !== shown && c.outcome);
  const [other, setOther] = useState("");
  const differences = useQuery({
    queryKey: ["compare", shown.id, other],
    queryFn: () => api.compareChoices(other, shown.id),
    enabled: other !== "",
  });
  return (
    <section className="border-line mt-4 border-t pt-3">
      <Choice
        label="Compare with"
        className="max-w-xs"
        value={other}
        onChange={setOther}
        options={[{ value: "", label: "nothing" }, ...others.map((c) => ({ value: c.id, label: c.name }))]}
      />
      {differences.data && (
        <table className="table-sm mt-2 table" aria-label="where the two choices differ">
          <thead>
            <tr>
              <th>Position</th>
              <th>{others.find((c) => c.id === other)?.name}</th>
              <th>{shown.name}</th>
            </tr>
          </thead>
          <tbody>
            {differences.data.differences.map((d) => (
              <tr key={d.unit}>
                <th scope="row">{d.words}</th>
                <td>{d.before ?? "no module"}</td>
                <td>{d.after ?? "no module"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {differences.data?.differences.length === 0 && <p className="mt-2">Both choose the same everywhere.</p>}
    </section>
  );
}
