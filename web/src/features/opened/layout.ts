/** What an opened box shows: cables with their cores on the left, places to end on the right. Lengths are in pixels. */
export type SeenCore<Colour> = {
  id: string;
  colour: Colour;
  letters: string;
  words: string;
  at: string;
  note?: string;
  sure?: boolean;
};
export type SeenCable<Colour> = { name: string; detail?: string; cores: SeenCore<Colour>[] };
export type SeenEnd = { key: string; label: string };
export type SeenDevice = { name: string; detail?: string; ends: SeenEnd[] };

const ROW = 34;
const HEAD = 24;
const GAP = 14;
const EDGE = 8;

/** Widths of the two columns; what is left between them is for the wires. */
export const SHEATH = 44;
const NARROWEST = 330;
const DEVICES = { share: 0.36, least: 124, most: 220 };

export type PlacedCore<C> = { core: SeenCore<C>; y: number };
export type PlacedCable<C> = { cable: SeenCable<C>; top: number; height: number; cores: PlacedCore<C>[] };
export type PlacedEnd = { end: SeenEnd; y: number };
export type PlacedDevice = { device: SeenDevice; top: number; height: number; ends: PlacedEnd[] };

/** Where everything of an opened box goes. */
export function layOut<C>(cables: SeenCable<C>[], devices: SeenDevice[], width: number) {
  const wide = Math.max(width, NARROWEST);
  let y = EDGE;
  const placedCables: PlacedCable<C>[] = cables.map((cable) => {
    const top = y;
    const cores = cable.cores.map((core, row) => ({ core, y: top + HEAD + row * ROW + ROW / 2 }));
    const height = HEAD + cable.cores.length * ROW;
    y = top + height + GAP;
    return { cable, top, height, cores };
  });
  const leftEnd = y;
  y = EDGE;
  const placedDevices: PlacedDevice[] = devices
    .filter((device) => device.ends.length > 0)
    .map((device) => {
      const top = y;
      const ends = device.ends.map((end, row) => ({ end, y: top + HEAD + row * ROW + ROW / 2 }));
      const height = HEAD + device.ends.length * ROW;
      y = top + height + GAP;
      return { device, top, height, ends };
    });
  const column = Math.min(DEVICES.most, Math.max(DEVICES.least, wide * DEVICES.share));
  const ends = new Map(
    placedDevices.flatMap(({ ends }) => ends.map(({ end, y: at }) => [end.key, at] as const)),
  );
  return {
    width: wide,
    height: Math.max(leftEnd, y) - GAP + EDGE,
    row: ROW,
    deviceX: wide - column,
    deviceWidth: column,
    cables: placedCables,
    devices: placedDevices,
    ends,
  };
}

/** A conductor hanging between two points. */
export function hanging(x1: number, y1: number, x2: number, y2: number): string {
  const pull = Math.max(30, (x2 - x1) / 2);
  return `M${x1} ${y1}C${x1 + pull} ${y1} ${x2 - pull} ${y2} ${x2} ${y2}`;
}

/** A piece of wire between two places of the same column. */
export function beside(x: number, y1: number, y2: number): string {
  const out = 22 + Math.min(40, Math.abs(y2 - y1) / 5);
  return `M${x} ${y1}C${x - out} ${y1} ${x - out} ${y2} ${x} ${y2}`;
}
