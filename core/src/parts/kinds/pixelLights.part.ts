import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { count, definePart, listens, mv, perMille, powerEnds, ua } from '../kind.ts';

export const pixelLights = definePart({
  id: 'pixel-lights',
  title: 'Pixel lights',
  doc: 'A string of lights that each keep a colour, told over one data line; up to 60 mA each at full white.',
  group: 'lights',
  colours: true,
  figures: z.strictObject({
    supplyMinMv: mv('Works from'),
    supplyMaxMv: mv('Works up to'),
    pixels: count('Lights', 1, 300),
    eachUa: ua('Each at full white'),
    idleUa: ua('Each when dark'),
    usualPerMille: perMille('Usual share of full white'),
  }),
  defaults: {
    supplyMinMv: 3_700,
    supplyMaxMv: 5_300,
    pixels: 8,
    eachUa: 60_000,
    idleUa: 1_000,
    usualPerMille: 150,
  },
  priceCents: 160,
  plays: ({ pixels }) => Array.from({ length: Math.min(pixels, 16) }, () => 'light' as const),
  terminals: ({ pixels, eachUa }) => [
    signal('data', 'out', listens),
    ...powerEnds({ worstUa: pixels * eachUa }),
  ],
  draws: ({ pixels, eachUa, idleUa, usualPerMille }) => ({
    typicalUa: Math.round(pixels * (idleUa + (eachUa * usualPerMille) / 1_000)),
    worstUa: pixels * eachUa,
  }),
  supply: ({ supplyMinMv, supplyMaxMv }) => ({ minMv: supplyMinMv, maxMv: supplyMaxMv }),
  memory: ({ pixels }) => ({ ram: 3 * pixels }),
});
