import * as z from 'zod';
import { addressed, addressedDefaults, addressedFigures } from '../addressed.ts';
import { count, definePart, flag, us } from '../kind.ts';
import { chainData, chainReadings } from '../lightTiming.ts';

export const lightChain = definePart({
  id: 'light-chain',
  title: 'Light chain, told by number',
  doc: 'A ring, strip, row or grid of lights that each keep a colour, told one after another over one data line.',
  group: 'lights',
  figures: z.strictObject({
    pixels: count('Lights', 1, 256),
    ...addressedFigures,
    bitNs: z.number().int().min(100).max(10_000).meta({ label: 'Each bit takes', unit: 'ns' }),
    pauseUs: us('Pause after the data'),
    interruptsOff: flag('Interrupts shut off meanwhile'),
  }),
  defaults: {
    pixels: 12,
    ...addressedDefaults,
    bitNs: 1_250,
    pauseUs: 280,
    interruptsOff: 1,
  },
  priceCents: 240,
  priceFor: ({ pixels }) => 20 * pixels,
  readings: chainReadings,
  data: chainData,
  plays: () => ['lights'],
  ...addressed,
  memory: ({ pixels }) => ({ ram: 3 * pixels, flash: 600 }),
});
