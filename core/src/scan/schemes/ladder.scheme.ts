import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { chooseLadder, type LadderFigures } from '../ladder.ts';
import { defineScheme } from '../scheme.ts';

const params = z.strictObject({
  pullOhms: z.number().int().min(100).max(1_000_000).meta({ label: 'Resistor to the supply', unit: 'Ω' }),
  tolerancePerMille: z.number().int().min(1).max(200).meta({ label: 'Tolerance', unit: '‰' }),
  series: z.number().int().min(12).max(24).meta({ label: 'Series of values (12 or 24)', unit: '' }),
  adcBits: z.number().int().min(8).max(16).meta({ label: 'Converter', unit: 'bit' }),
  noiseCounts: z.number().int().min(0).max(1_000).meta({ label: 'Noise to either side', unit: 'counts' }),
});
type LadderParams = z.infer<typeof params>;

/** The chosen resistors, or evenly rising ones that cannot work where no choice does. */
export function ladderFor(keys: number, { series, ...figures }: LadderParams): LadderFigures {
  const chosen = chooseLadder(keys, figures, series);
  return chosen?.figures ?? { ...figures, ohms: Array.from({ length: keys }, (_, key) => key * 100) };
}

export const ladder = defineScheme({
  id: 'ladder',
  title: 'Resistor ladder on one analog pin',
  doc: 'Every key pulls one analog line to its own level. One pin for a handful of keys; only one key at a time is read truly, and the levels must stay apart in spite of tolerance and noise.',
  source: 'reckoning, Keypads',
  params,
  defaults: () => ({ pullOhms: 10_000, tolerancePerMille: 10, series: 24, adcBits: 10, noiseCounts: 3 }),
  refuses: (keys, { series, ...figures }) => {
    if (keys > 24) return 'too-many-keys';
    return chooseLadder(keys, figures, series) === null ? 'no-ladder' : null;
  },
  lines: () => [signal('level', 'analog', { highPerMille: 0 })],
  circuit: (keys, given) => ({ kind: 'ladder', figures: ladderFor(keys, given) }),
  parts: (keys, given) => [
    ...ladderFor(keys, given)
      .ohms.filter((ohms) => ohms > 0)
      .map((value) => ({ role: 'ladder-resistor', value, quantity: 1 })),
    { role: 'ladder-pull', value: given.pullOhms, quantity: 1 },
  ],
  /** Two conversions, so that a level that is still moving is not believed. */
  scanUs: () => 220,
});
