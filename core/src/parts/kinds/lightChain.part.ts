import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { count, definePart, flag, listens, mv, perMille, powerEnds, ua, us } from '../kind.ts';
import { chainReadings } from '../lightTiming.ts';

export const lightChain = definePart({
  id: 'light-chain',
  title: 'Light chain, told by number',
  doc: 'A ring, strip, row or grid of lights that each keep a colour, told one after another over one data line.',
  group: 'lights',
  figures: z.strictObject({
    pixels: count('Lights', 1, 256),
    supplyMinMv: mv('Works from'),
    supplyMaxMv: mv('Works up to'),
    eachUa: ua('Each at full white'),
    idleUa: ua('Each when dark'),
    usualPerMille: perMille('Usual share of full white'),
    bitNs: z.number().int().min(100).max(10_000).meta({ label: 'Each bit takes', unit: 'ns' }),
    pauseUs: us('Pause after the data'),
    interruptsOff: flag('Interrupts shut off meanwhile'),
  }),
  defaults: {
    pixels: 12,
    supplyMinMv: 3_700,
    supplyMaxMv: 5_300,
    eachUa: 60_000,
    idleUa: 1_000,
    usualPerMille: 150,
    bitNs: 1_250,
    pauseUs: 280,
    interruptsOff: 1,
  },
  priceCents: 240,
  priceFor: ({ pixels }) => 20 * pixels,
  readings: chainReadings,
  plays: () => ['lights'],
  terminals: ({ pixels, eachUa }) => [
    signal('data', 'out', listens),
    ...powerEnds({ worstUa: pixels * eachUa }),
  ],
  draws: ({ pixels, eachUa, idleUa, usualPerMille }) => ({
    typicalUa: Math.round(pixels * (idleUa + (eachUa * usualPerMille) / 1_000)),
    worstUa: pixels * eachUa,
  }),
  supply: ({ supplyMinMv, supplyMaxMv }) => ({ minMv: supplyMinMv, maxMv: supplyMaxMv }),
  memory: ({ pixels }) => ({ ram: 3 * pixels, flash: 600 }),
});
