import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { defineScheme } from '../scheme.ts';

export const direct = defineScheme({
  id: 'direct',
  title: 'One pin per key (direct)',
  doc: 'Every key has a pin of its own, to ground, with a pull-up. Nothing to go wrong, any number at once, but the most pins.',
  source: 'reckoning, Keypads',
  params: z.strictObject({}),
  defaults: () => ({}),
  refuses: () => null,
  lines: (keys) =>
    Array.from({ length: keys }, (_, key) => signal(`key${key + 1}`, 'in', { contact: true, atBoot: 'low' })),
  circuit: (keys) => ({ kind: 'independent', keys }),
  parts: () => [],
  scanUs: () => 5,
});
