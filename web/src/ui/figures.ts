const TIME = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });
const DAY = new Intl.DateTimeFormat("en-GB", {
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
});
const THIN_SPACE = "\u2009";

/** Hours and minutes today, the day as well for anything older. */
export function moment(iso: string, now = new Date()): string {
  const when = new Date(iso);
  return when.toDateString() === now.toDateString() ? TIME.format(when) : DAY.format(when);
}

/** A price, or that nobody knows it: never nothing. */
export const money = (amount: number | null | undefined) =>
  amount === null || amount === undefined ? "price unknown" : amount.toFixed(2);

export const withUnit = (value: number | string, unit: string) =>
  unit ? `${value}${THIN_SPACE}${unit}` : `${value}`;

/** So many of something, in words: "1 link", "2 links". */
export const counted = (count: number, one: string) => `${count} ${one}${count === 1 ? "" : "s"}`;
