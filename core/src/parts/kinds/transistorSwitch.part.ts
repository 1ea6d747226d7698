import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { definePart, mv, powerEnds, ua } from '../kind.ts';

export const transistorSwitch = definePart({
  id: 'transistor-switch',
  title: 'Load on a transistor',
  doc: 'A shutter, bell, lamp or module that a transistor switches on and off: the pin gives only what the transistor takes.',
  group: 'motion',
  figures: z.strictObject({
    supplyMinMv: mv('The load works from'),
    supplyMaxMv: mv('The load works up to'),
    loadUa: ua('The load draws'),
    lineUa: ua('The transistor takes'),
  }),
  defaults: { supplyMinMv: 3_000, supplyMaxMv: 6_000, loadUa: 60_000, lineUa: 2_000 },
  priceCents: 60,
  plays: () => ['line'],
  terminals: ({ loadUa, lineUa }) => [
    signal('line', 'out', { maxUa: lineUa, atBoot: 'low' }),
    ...powerEnds({ worstUa: loadUa }),
  ],
  draws: ({ loadUa }) => ({ typicalUa: Math.round(loadUa / 4), worstUa: loadUa }),
  supply: ({ supplyMinMv, supplyMaxMv }) => ({ minMv: supplyMinMv, maxMv: supplyMaxMv }),
});
