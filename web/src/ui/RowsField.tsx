import { type ReactNode, useState } from "react";

type Props<T> = {
  title: string;
  rows: T[];
  /** A new row, empty. */
  blank: () => T;
  onChange: (rows: T[]) => void;
  /** The fields of one row; what stands before them names the row for those who hear it. */
  children: (row: T, set: (part: Partial<T>) => void, name: string) => ReactNode;
};

/** A list whose rows are typed, added and taken out. */
export function RowsField<T>({ title, rows, blank, onChange, children }: Props<T>) {
  // Rows have no name that stays while it is typed, so each gets a number to be told by.
  const [ids, setIds] = useState(() => rows.map((_, i) => i));
  return (
    <fieldset className="border-base-300 border-t pt-2">
      <legend className="float-left mb-1 text-[15px] font-semibold">{title}</legend>
      <div className="clear-left grid gap-2">
        {rows.length === 0 && <p className="text-soft text-[14px]">not stated</p>}
        {rows.map((row, i) => (
          <div key={ids[i]} className="flex flex-wrap items-end gap-2">
            {children(
              row,
              (part) => onChange(rows.map((other, o) => (o === i ? { ...other, ...part } : other))),
              `${title} ${i + 1}`,
            )}
            <button
              type="button"
              className="btn btn-sm btn-ghost"
              aria-label={`take out ${title} ${i + 1}`}
              onClick={() => {
                setIds(ids.filter((_, o) => o !== i));
                onChange(rows.filter((_, o) => o !== i));
              }}
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
            onClick={() => {
              setIds([...ids, Math.max(-1, ...ids) + 1]);
              onChange([...rows, blank()]);
            }}
          >
            add
          </button>
        </div>
      </div>
    </fieldset>
  );
}
