import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Choice } from "../../ui/Choice";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";

/** What a module is to be set to. It is written when the module has joined, and read back. */
export function SettingsForm({ unit, onKept }: { unit: Schemas["BenchUnitView"]; onKept: () => void }) {
  const [wanted, setWanted] = useState<Record<string, string>>(unit.wanted);
  const keep = useMutation({
    mutationFn: () => api.benchSettings(unit.id, { version: unit.version, wanted }),
    onSuccess: onKept,
  });
  const set = (key: string, value: string) => {
    const { [key]: _, ...rest } = wanted;
    setWanted(value ? { ...rest, [key]: value } : rest);
  };
  return (
    <form
      className="mb-3 flex flex-wrap items-end gap-2"
      aria-label="settings"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate();
      }}
    >
      {unit.settings.map((setting) =>
        setting.values.length > 0 ? (
          <Choice
            key={setting.key}
            label={setting.words}
            value={wanted[setting.key] ?? ""}
            onChange={(value) => set(setting.key, value)}
            options={[
              { value: "", label: "as it comes" },
              ...setting.values.map((v) => ({ value: v.value, label: v.words })),
            ]}
            className="w-48"
          />
        ) : (
          <TextField
            key={setting.key}
            label={setting.words}
            value={wanted[setting.key] ?? ""}
            onChange={(value) => set(setting.key, value)}
            className="w-40"
          />
        ),
      )}
      <button type="submit" className="btn btn-sm btn-outline" disabled={keep.isPending}>
        keep these settings
      </button>
      {keep.isError && <Failure error={keep.error} />}
    </form>
  );
}
