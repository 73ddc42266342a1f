import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, firmwareOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";

/** Keeps a file of firmware; its sum must be the one that was published with it. */
export function KeepRelease({ job }: { job: string }) {
  const queries = useQueryClient();
  const file = useRef<HTMLInputElement>(null);
  const [kind, setKind] = useState("");
  const [version, setVersion] = useState("");
  const [sum, setSum] = useState("");
  const [features, setFeatures] = useState("");
  const [notes, setNotes] = useState("");
  const keep = useMutation({
    mutationFn: async () => {
      const chosen = file.current?.files?.[0];
      if (!chosen) {
        throw new Error("Choose the file first.");
      }
      return api.keepFirmware({
        kind,
        version,
        sha256: sum.trim().toLowerCase(),
        notes,
        features: features
          .split(",")
          .map((feature) => feature.trim())
          .filter(Boolean),
        file: base64(await chosen.arrayBuffer()),
      });
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: firmwareOptions(job).queryKey }),
  });
  return (
    <details className="mt-2">
      <summary className="cursor-pointer">Keep another file</summary>
      <form
        className="mt-2 flex flex-wrap items-end gap-3"
        aria-label="keep firmware"
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate();
        }}
      >
        <TextField label="Module code" value={kind} onChange={setKind} className="w-32" required />
        <TextField
          label="Version, like 1.4.0"
          value={version}
          onChange={setVersion}
          className="w-36"
          required
        />
        <TextField
          label="SHA-256 published with it"
          value={sum}
          onChange={setSum}
          className="min-w-64 flex-1"
          required
        />
        <TextField label="Features, with commas" value={features} onChange={setFeatures} className="w-48" />
        <TextField label="Notes" value={notes} onChange={setNotes} className="w-48" />
        <label className="text-[14px]">
          <span className="text-soft block">File</span>
          <input ref={file} type="file" className="file-input file-input-sm" required />
        </label>
        <button type="submit" className="btn btn-sm btn-outline" disabled={keep.isPending}>
          keep it
        </button>
      </form>
      {keep.isError && <Failure error={keep.error} />}
    </details>
  );
}

function base64(octets: ArrayBuffer): string {
  let text = "";
  for (const octet of new Uint8Array(octets)) {
    text += String.fromCharCode(octet);
  }
  return btoa(text);
}
