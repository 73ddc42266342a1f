import { useId } from "react";

type Option<T extends string> = { value: T; label: string };

/** A labelled select. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  className = "",
  hideLabel = false,
}: {
  label: string;
  value: T;
  options: Option<T>[];
  onChange: (value: T) => void;
  className?: string;
  hideLabel?: boolean;
}) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "field-label block"}>
        {label}
      </label>
      <select id={id} className="select w-full" value={value} onChange={(e) => onChange(e.target.value as T)}>
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    </div>
  );
}
