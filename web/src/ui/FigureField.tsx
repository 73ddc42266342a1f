import { useState } from "react";
import { TextField } from "./TextField";

/** What a typed figure is, with a point or a comma; nothing for an empty field or half a number. */
export function figureOf(text: string): number | undefined {
  const figure = Number(text.replace(",", "."));
  return text.trim() === "" || !Number.isFinite(figure) ? undefined : figure;
}

/** A figure as it is being typed: "15." is on its way to 15.5 and must not be taken for 15 again. */
export function useFigure(start: number | null | undefined, onChange: (figure: number | undefined) => void) {
  const [typed, setTyped] = useState(start == null ? "" : String(start));
  return {
    typed,
    type: (text: string) => {
      setTyped(text);
      onChange(figureOf(text));
    },
  };
}

type Props = {
  label: string;
  /** What it starts with; empty where nobody knows it. */
  start: number | null | undefined;
  /** Nothing is passed on when the field is empty: then the figure is unknown. */
  onChange: (figure: number | undefined) => void;
  required?: boolean;
  className?: string;
  /** What it is called to those who hear it, where the label alone would not tell. */
  heard?: string;
  "aria-invalid"?: boolean;
  "aria-describedby"?: string;
};

/** A labelled figure. */
export function FigureField({ label, start, onChange, heard, ...rest }: Props) {
  const { typed, type } = useFigure(start, onChange);
  return (
    <TextField
      {...rest}
      label={label}
      aria-label={heard}
      inputMode="decimal"
      pattern="-?[0-9]+([.,][0-9]+)?"
      value={typed}
      onChange={type}
    />
  );
}
