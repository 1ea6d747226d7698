import type { LightColour, Paint } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';

/** Red, green and blue, eight bits each, as one number. */
export type Rgb = number;

export const rgb = (red: number, green: number, blue: number): Rgb => (red << 16) | (green << 8) | blue;
export const channelsOf = (colour: Rgb): [number, number, number] => [
  (colour >> 16) & 255,
  (colour >> 8) & 255,
  colour & 255,
];

/** Colours that have a name, at their full level. */
const named: Readonly<Record<Paint, Rgb>> = {
  red: 0xff0000,
  amber: 0xff8000,
  green: 0x00ff00,
  cyan: 0x00ffff,
  blue: 0x0000ff,
  violet: 0x8000ff,
  white: 0xffffff,
  off: 0,
};
export const rgbOf = (paint: Paint): Rgb => named[paint];

/** The same colour at a level. @param percent held inside 0 to 100 @returns channels rounded to the nearest */
export function atLevel(colour: Rgb, percent: number): Rgb {
  const level = clamp(percent, 0, 100);
  const [red, green, blue] = channelsOf(colour).map((one) => Math.floor((one * level + 50) / 100));
  return rgb(red!, green!, blue!);
}

/** Each channel held inside 0 to 255. */
export const mixed = (red: number, green: number, blue: number): Rgb =>
  rgb(clamp(red, 0, 255), clamp(green, 0, 255), clamp(blue, 0, 255));

/** A full colour of the wheel, in whole numbers: one channel full, one dark, one rising or falling. @param hue any whole number, degrees */
export function hued(hue: number): Rgb {
  const degrees = ((hue % 360) + 360) % 360;
  const rest = degrees % 60;
  const rising = Math.floor((255 * rest) / 60);
  const falling = 255 - rising;
  switch (Math.floor(degrees / 60)) {
    case 0:
      return rgb(255, rising, 0);
    case 1:
      return rgb(falling, 255, 0);
    case 2:
      return rgb(0, 255, rising);
    case 3:
      return rgb(0, falling, 255);
    case 4:
      return rgb(rising, 0, 255);
    default:
      return rgb(255, 0, falling);
  }
}

/** Between two colours, channel by channel, rounded down. @param part of `whole`, 0 to `whole`, which is above 0 */
export function between(from: Rgb, to: Rgb, part: number, whole: number): Rgb {
  const [a, b] = [channelsOf(from), channelsOf(to)];
  const at = (n: 0 | 1 | 2) => a[n] + Math.trunc(((b[n] - a[n]) * part) / whole);
  return rgb(at(0), at(1), at(2));
}

/** Of lights made in one colour: that one, as bright as the brightest channel asks for. @param own null: any colour */
export function asMade(colour: Rgb, own: LightColour | null): Rgb {
  if (own === null) return colour;
  const brightest = Math.max(...channelsOf(colour));
  const [red, green, blue] = channelsOf(rgbOf(own)).map((one) => Math.floor((one * brightest) / 255));
  return rgb(red!, green!, blue!);
}

/** The name that comes nearest, however bright it is; `off` for a dark one. */
export function nameOf(colour: Rgb): Paint {
  const [red, green, blue] = channelsOf(colour);
  const most = Math.max(red, green, blue);
  if (most === 0) return 'off';
  // As bright as it can be: a dim red is red.
  const full = [red, green, blue].map((one) => Math.round((one * 255) / most));
  let nearest: Paint = 'white';
  let least = Infinity;
  for (const [name, value] of Object.entries(named) as [Paint, Rgb][]) {
    if (name === 'off') continue;
    const away = channelsOf(value).reduce((sum, one, n) => sum + (one - full[n]!) ** 2, 0);
    if (away < least) [nearest, least] = [name, away];
  }
  return nearest;
}
