import { useState } from "react";

/** A link that is shown this once: copied, then sent by hand. */
export function FreshLink({
  address,
  words,
  onDone,
}: {
  address: string;
  words: string;
  onDone: () => void;
}) {
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    await navigator.clipboard.writeText(address);
    setCopied(true);
  };
  return (
    <div role="status" className="border-primary bg-base-200 my-3 space-y-2 border-l-4 p-3">
      <p>{words}</p>
      <p className="bg-base-100 border-line border p-2 font-mono text-[13px] break-all">{address}</p>
      <div className="flex gap-2">
        <button type="button" className="btn btn-sm btn-primary" onClick={copy}>
          {copied ? "copied" : "copy"}
        </button>
        <button type="button" className="btn btn-sm btn-outline" onClick={onDone}>
          done, hide it
        </button>
      </div>
    </div>
  );
}
