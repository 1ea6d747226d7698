import {
  inksOf,
  readColour,
  rgbOf,
  shownInks,
  usualPalette,
  type Colour,
  type Depth,
  type Gadget,
  type Glow,
  type LightColour,
} from '@hum-lever/core';

export const depthWords: Readonly<Record<Depth, string>> = {
  mono: 'lit or dark',
  grey4: 'of 4 greys',
  grey16: 'of 16 greys',
  colour: 'of 65,536 colours',
};

/** A colour as style sheets have it. */
export const cssOf = ([red, green, blue]: Colour): string => `rgb(${red} ${green} ${blue})`;

/**
 * Inks that pictures are seen in where no display is meant: those of the display that has most of them, and how many it
 * has. Beyond those a picture can have inks that no display shows: they are seen as colours that displays come with.
 */
export function pictureInks({ outputs }: Pick<Gadget, 'outputs'>): { inks: Colour[]; count: number } {
  const screens = outputs.filter((output) => output.kind === 'screen');
  const richest = screens.reduce((most, one) => (inksOf(one) > inksOf(most) ? one : most), screens[0]!);
  const palette = richest === undefined ? usualPalette('mono') : richest.palette;
  const inks = richest === undefined ? shownInks({ depth: 'mono', palette }) : shownInks(richest);
  const others = shownInks({ depth: 'colour', palette: usualPalette('colour') });
  return { inks: [...inks, ...others.slice(inks.length)], count: inks.length };
}

const sum = ([red, green, blue]: Colour): number => red + green + blue;

/** The same inks where the light is of that colour: what shines of them, the brighter of two, has it. */
export function inLight(inks: readonly Colour[], colour: LightColour | null): readonly Colour[] {
  if (colour === null || inks.length !== 2) return inks;
  const bright = sum(inks[1]!) > sum(inks[0]!) ? 1 : 0;
  const seen = readColour(`#${rgbOf(colour).toString(16).padStart(6, '0')}`);
  return inks.map((ink, n) => (n === bright ? seen : ink));
}

/** Some of the light of the room comes back from what is lit from behind; pixels that glow by themselves go out. */
const unlit = { behind: 0.4, pixels: 0.06 } as const;

/** Screens and eyes make more of a little light. Source: the exponent that displays of computers are made for. */
const gamma = 2.2;

/** How bright what can be seen of it is, 1: as usual. */
export function brightness(percent: number, glow: Glow | null): number {
  const least = unlit[glow?.from ?? 'behind'];
  return least + (1 - least) * (percent / 100) ** (1 / gamma);
}

/** The same as a style; none where it is as usual. */
export const brightStyle = (bright: number): { filter?: string } =>
  bright < 1 ? { filter: `brightness(${bright})` } : {};
