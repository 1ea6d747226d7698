import * as z from 'zod';
import { addressed, addressedDefaults, addressedFigures } from '../addressed.ts';
import { count, definePart } from '../kind.ts';

// How many there are stands behind the supply.
const { supplyMinMv, supplyMaxMv, ...draws } = addressedFigures;

export const pixelLights = definePart({
  id: 'pixel-lights',
  title: 'Pixel lights',
  doc: 'A string of lights that each keep a colour, told over one data line; up to 60 mA each at full white.',
  group: 'lights',
  colours: true,
  figures: z.strictObject({
    supplyMinMv,
    supplyMaxMv,
    pixels: count('Lights', 1, 300),
    ...draws,
  }),
  defaults: {
    ...addressedDefaults,
    pixels: 8,
  },
  priceCents: 160,
  plays: ({ pixels }) => Array.from({ length: Math.min(pixels, 16) }, () => 'light' as const),
  ...addressed,
  memory: ({ pixels }) => ({ ram: 3 * pixels }),
});
