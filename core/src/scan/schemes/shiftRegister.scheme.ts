import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { defineScheme } from '../scheme.ts';

const chips = (keys: number) => Math.max(1, Math.ceil(keys / 8));

export const shiftRegister = defineScheme({
  id: 'shift-register',
  title: 'Shift registers in a chain',
  doc: 'Chips of eight inputs each, read one bit after another. Three pins for any number of keys, any number at once; every key needs a pull-up.',
  source: 'reckoning, Keypads',
  params: z.strictObject({}),
  defaults: () => ({}),
  refuses: () => null,
  lines: () => [
    signal('load', 'out', { highPerMille: 700 }),
    signal('clock', 'out', { highPerMille: 700 }),
    signal('data', 'in', { drives: true }),
  ],
  circuit: (keys) => ({ kind: 'independent', keys }),
  parts: (keys) => [
    { role: 'shift-chip', value: 8, quantity: chips(keys) },
    { role: 'pull-up', value: 10_000, quantity: keys },
  ],
  scanUs: (keys) => 4 + chips(keys) * 8 * 2,
});
