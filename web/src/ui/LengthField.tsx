import { useState } from "react";
import { TextField } from "./TextField";
import { type LengthsOf, readLength, showLength, UNIT, useUnits } from "./units";

type Props = {
  label: string;
  /** Name for those who hear it, where the label alone would not tell. */
  name?: string;
  mm: number;
  least: number;
  job: LengthsOf;
  onChange: (mm: number) => void;
};

/** A length in the units of the person; kept in millimetres. */
export function LengthField({ label, name, mm, least, job, onChange }: Props) {
  const units = useUnits(job);
  const [typed, setTyped] = useState<string | null>(null);
  const value = typed !== null && readLength(typed, units) === mm ? typed : showLength(mm, units);
  const type = (text: string) => {
    setTyped(text);
    const read = readLength(text, units);
    if (read !== null) {
      onChange(read);
    }
  };
  const bad = typed !== null && readLength(typed, units) === null;
  return (
    <TextField
      label={`${label}, ${UNIT[units]}`}
      aria-label={name && `${name}, ${UNIT[units]}`}
      inputMode="decimal"
      value={bad ? typed : value}
      onChange={type}
      onBlur={() => setTyped(null)}
      aria-invalid={bad || mm < least}
    />
  );
}
