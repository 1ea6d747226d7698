import { bitsOfDepth, type Screen } from '../gadget/index.ts';

type Coloured = Pick<Screen, 'depth' | 'palette'>;

/** Red, green and blue, of 0 to 255. */
export type Colour = readonly [red: number, green: number, blue: number];

/** @param text `#` and six digits */
export const readColour = (text: string): Colour => [
  parseInt(text.slice(1, 3), 16),
  parseInt(text.slice(3, 5), 16),
  parseInt(text.slice(5, 7), 16),
];

/** So far from one colour to another, from 0 to 1. */
export function mixed(from: Colour, to: Colour, along: number): Colour {
  const part = (at: 0 | 1 | 2) => Math.round(from[at] + (to[at] - from[at]) * along);
  return [part(0), part(1), part(2)];
}

/** An ink is a number of four bits at most, however many colours there are to choose it from. */
const inkBits = 4;

/** How many inks a display has: no more than its palette, and no more than its pixels can show. */
export const inksOf = ({ depth, palette }: Coloured): number =>
  Math.min(palette.length, 2 ** Math.min(inkBits, bitsOfDepth[depth]));

/** What a level of so many comes to on so many bits, and back: 5, 6 and 5 bits of red, green and blue. */
const onBits = (value: number, bits: number): number => {
  const most = 2 ** bits - 1;
  return Math.round((Math.round((value * most) / 255) * 255) / most);
};

/** How light a colour is, from 0 to 1. Source: ITU-R BT.601. */
const lightness = ([red, green, blue]: Colour): number => (299 * red + 587 * green + 114 * blue) / 255_000;

/**
 * The inks of a display as its pixels can show them. Two: as they are, the colours that its light and its ground have.
 * Greys: steps between those two; the ground and the usual ink are the ends, others the nearest step by how light they
 * are. Colours: the nearest that 5, 6 and 5 bits have.
 */
export function shownInks(screen: Coloured): Colour[] {
  const inks = screen.palette.slice(0, inksOf(screen)).map(readColour);
  if (screen.depth === 'mono') return inks;
  if (screen.depth === 'colour')
    return inks.map(([red, green, blue]) => [onBits(red, 5), onBits(green, 6), onBits(blue, 5)]);
  const [ground, usual] = [inks[0]!, inks[1]!];
  const [from, to] = [lightness(ground), lightness(usual)];
  const most = 2 ** bitsOfDepth[screen.depth] - 1;
  return inks.map((ink, n) => {
    const along = n < 2 ? n : from === to ? 0 : (lightness(ink) - from) / (to - from);
    const step = Math.round(Math.min(1, Math.max(0, along)) * most) / most;
    return mixed(ground, usual, step);
  });
}
