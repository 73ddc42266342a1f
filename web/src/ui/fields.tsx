import { type BaseSyntheticEvent, type ReactNode, useEffect, useId } from "react";
import {
  type Control,
  type FieldPath,
  type FieldValues,
  type UseFormReturn,
  type UseFormSetError,
  useController,
} from "react-hook-form";
import { ApiProblem } from "../api/transport";
import { Choice } from "./Choice";
import { FigureField } from "./FigureField";
import { TextField } from "./TextField";

type At<V extends FieldValues> = {
  control: Control<V>;
  /** Where the value stands in what is sent. */
  name: FieldPath<V>;
  label: string;
  /** What it is called to those who hear it, where the label alone would not tell. */
  heard?: string;
  required?: boolean;
  className?: string;
};

/** Words; what may be left out is nothing when it is empty. */
export function Text<V extends FieldValues>({
  optional,
  ...at
}: At<V> & { optional?: boolean; type?: string; maxLength?: number }) {
  const { field } = useController(at);
  return (
    <Typed
      {...at}
      value={field.value ?? ""}
      onChange={(text) => field.onChange(optional && text === "" ? undefined : text)}
    />
  );
}

/** A figure; unknown where it is empty, never zero. */
export function Figure<V extends FieldValues>(at: At<V>) {
  const { field, fieldState } = useController(at);
  return (
    <Told error={fieldState.error?.message} className={at.className}>
      {(told) => (
        <FigureField
          {...told}
          label={at.label}
          heard={at.heard}
          required={at.required}
          start={field.value}
          onChange={field.onChange}
        />
      )}
    </Told>
  );
}

/** Words that are separated by commas, as a list without empty ones. */
export function Listed<V extends FieldValues>(at: At<V>) {
  const { field } = useController(at);
  return (
    <Typed
      {...at}
      defaultValue={(field.value ?? []).join(", ")}
      onChange={(text) =>
        field.onChange(
          text
            .split(",")
            .map((word) => word.trim())
            .filter((word) => word !== ""),
        )
      }
    />
  );
}

type TypedProps<V extends FieldValues> = At<V> & {
  value?: string;
  defaultValue?: string;
  type?: string;
  maxLength?: number;
  onChange: (text: string) => void;
};

function Typed<V extends FieldValues>({ control, name, heard, className, ...rest }: TypedProps<V>) {
  const { fieldState } = useController({ control, name });
  return (
    <Told error={fieldState.error?.message} className={className}>
      {(told) => <TextField {...told} {...rest} aria-label={heard} />}
    </Told>
  );
}

/** One of some values; "" where none is known. */
export function Pick<V extends FieldValues>({
  options,
  ...at
}: At<V> & { options: { value: string; label: string }[] }) {
  const { field } = useController(at);
  return (
    <Choice
      label={at.label}
      className={at.className}
      value={String(field.value ?? "")}
      onChange={(value) => field.onChange(value === "" ? undefined : value)}
      options={options}
    />
  );
}

/** Yes or no in words. */
export function Truth<V extends FieldValues>({ no, yes, ...at }: At<V> & { no: string; yes: string }) {
  const { field } = useController(at);
  return (
    <Choice
      label={at.label}
      className={at.className}
      value={field.value ? "yes" : "no"}
      onChange={(value) => field.onChange(value === "yes")}
      options={[
        { value: "no", label: no },
        { value: "yes", label: yes },
      ]}
    />
  );
}

type ToldField = { "aria-invalid"?: boolean; "aria-describedby"?: string };

/** What the clerk expects of a field, right below it. */
function Told({
  error,
  className,
  children,
}: {
  error?: string;
  className?: string;
  children: (told: ToldField) => ReactNode;
}) {
  const id = useId();
  return (
    <div className={className}>
      {children(error ? { "aria-invalid": true, "aria-describedby": id } : {})}
      {error && (
        <p id={id} className="text-error mt-0.5 text-[13px]">
          {error}
        </p>
      )}
    </div>
  );
}

/** Shows what was refused at the fields that it is about; the rest is in the message of the refusal. */
export function useRefusals<V extends FieldValues>(error: Error | null, setError: UseFormSetError<V>) {
  useEffect(() => {
    if (error instanceof ApiProblem) {
      for (const { pointer, expected } of error.errors) {
        setError(pathOf(pointer) as FieldPath<V>, { type: "clerk", message: `expected: ${expected}` });
      }
    }
  }, [error, setError]);
}

/**
 * Sends what is typed. What was refused before is forgotten first: a refusal at a place that has no field would otherwise keep
 * the form from being sent ever again.
 */
export function sending<V extends FieldValues>(form: UseFormReturn<V>, send: (values: V) => void) {
  return (event?: BaseSyntheticEvent) => {
    form.clearErrors();
    return form.handleSubmit(send)(event);
  };
}

/** The field that a JSON pointer (RFC 6901) leads to. */
export const pathOf = (pointer: string) => pointer.replace(/^\//, "").replaceAll("/", ".");
