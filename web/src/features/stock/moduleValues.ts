import type { Schemas } from "../../api/transport";

type Document = Schemas["ModuleDocument"];
export type Load = Schemas["RatingEntry"]["load"];

/** What a module's form holds: its document, and what is typed in another shape than it is kept in. */
export type ModuleValues = {
  document: Document;
  onHand: number;
  /** In the unit of the currency. */
  price?: number;
  /** Of every channel, in watts, of resistive loads in amperes. */
  ratings: Partial<Record<Load, number>>;
};

export const RATINGS: { load: Load; label: string; unit: "watts" | "amps" }[] = [
  { load: "RESISTIVE", label: "Resistive, A", unit: "amps" },
  { load: "LED_LAMP", label: "LED lamps, W", unit: "watts" },
  { load: "LED_DRIVER", label: "LED drivers, W", unit: "watts" },
  { load: "INCANDESCENT", label: "Incandescent, W", unit: "watts" },
  { load: "HALOGEN", label: "Mains halogen, W", unit: "watts" },
  { load: "MOTOR", label: "Motor or fan, W", unit: "watts" },
  { load: "HEATER", label: "Heater, W", unit: "watts" },
];

export function valuesOf({ document, onHand }: Schemas["ModuleItem"]): ModuleValues {
  const first = document.channels[0]?.ratings ?? [];
  return {
    document,
    onHand,
    price: document.priceCents == null ? undefined : document.priceCents / 100,
    ratings: Object.fromEntries(
      RATINGS.map(({ load, unit }) => [
        load,
        first.find((rating) => rating.load === load)?.[unit] ?? undefined,
      ]),
    ),
  };
}

/** The document as typed. Ratings that were not touched stay what they are on each channel. */
export function documentOf(
  { document, price, ratings }: ModuleValues,
  touched: Partial<Record<Load, boolean>>,
): Document {
  const highest = document.temperatures?.highest;
  const holdUpMs = document.blink?.holdUpMs;
  return {
    ...document,
    priceCents: price === undefined ? undefined : Math.round(price * 100),
    temperatures: highest == null ? undefined : { lowest: document.temperatures?.lowest ?? 0, highest },
    blink: holdUpMs == null ? undefined : { minimumMs: document.blink?.minimumMs ?? 0, holdUpMs },
    channels: document.channels.map((channel) => ({
      ...channel,
      ratings: [
        ...channel.ratings.filter(({ load }) => !touched[load]),
        ...RATINGS.flatMap(({ load, unit }) => {
          const figure = touched[load] ? ratings[load] : undefined;
          return figure === undefined ? [] : [{ load, [unit]: figure }];
        }),
      ],
    })),
  };
}
