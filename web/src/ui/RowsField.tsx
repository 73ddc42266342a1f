import type { ReactNode } from "react";
import {
  type Control,
  type FieldArray,
  type FieldArrayPath,
  type FieldValues,
  useFieldArray,
} from "react-hook-form";

type Props<V extends FieldValues, N extends FieldArrayPath<V>> = {
  control: Control<V>;
  name: N;
  title: string;
  /** A new row, empty. */
  blank: FieldArray<V, N>;
  /** The fields of one row: where they stand, and what names the row for those who hear it. */
  children: (row: `${N}.${number}`, heard: string) => ReactNode;
};

/** A list whose rows are typed, added and taken out. */
export function RowsField<V extends FieldValues, N extends FieldArrayPath<V>>(props: Props<V, N>) {
  const { control, name, title, blank, children } = props;
  const { fields, append, remove } = useFieldArray({ control, name });
  return (
    <fieldset className="border-base-300 border-t pt-2">
      <legend className="float-left mb-1 text-[15px] font-semibold">{title}</legend>
      <div className="clear-left grid gap-2">
        {fields.length === 0 && <p className="text-soft text-[14px]">not stated</p>}
        {fields.map((field, i) => (
          <div key={field.id} className="flex flex-wrap items-end gap-2">
            {children(`${name}.${i}`, `${title} ${i + 1}`)}
            <button
              type="button"
              className="btn btn-sm btn-ghost"
              aria-label={`take out ${title} ${i + 1}`}
              onClick={() => remove(i)}
            >
              take out
            </button>
          </div>
        ))}
        <div>
          <button
            type="button"
            className="btn btn-sm btn-outline"
            aria-label={`add to ${title}`}
            onClick={() => append(blank, { shouldFocus: false })}
          >
            add
          </button>
        </div>
      </div>
    </fieldset>
  );
}
