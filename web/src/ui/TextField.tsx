import { type InputHTMLAttributes, useId } from "react";

type Props = Omit<InputHTMLAttributes<HTMLInputElement>, "onChange" | "value"> & {
  label: string;
  /** Left out where the field keeps what is typed; then it starts with `defaultValue`. */
  value?: string;
  onChange: (value: string) => void;
};

/** A labelled text input. */
export function TextField({ label, value, onChange, className = "", ...rest }: Props) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="field-label block">
        {label}
      </label>
      <input
        id={id}
        className="input w-full"
        value={value}
        onChange={(e) => onChange(e.target.value)}
        {...rest}
      />
    </div>
  );
}
