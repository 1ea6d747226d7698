import { inksOf, shownInks, usualPalette, type Colour, type Depth, type Gadget } from '@hum-lever/core';

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
