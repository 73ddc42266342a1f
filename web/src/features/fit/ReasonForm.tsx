import { useState } from "react";
import { TextField } from "../../ui/TextField";

/** Asks for a reason in words. */
export function ReasonForm({
  label,
  button,
  onGive,
}: {
  label: string;
  button: string;
  onGive: (reason: string) => void;
}) {
  const [reason, setReason] = useState("");
  return (
    <form
      className="w-full space-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        onGive(reason);
      }}
    >
      <TextField label={label} value={reason} onChange={setReason} required maxLength={500} />
      <button type="submit" className="btn btn-outline w-full">
        {button}
      </button>
    </form>
  );
}
