import * as z from 'zod';
import { oneLine as id, signal } from '../../gadget/index.ts';
import { defineScheme } from '../scheme.ts';

export const oneLine = defineScheme({
  id,
  title: 'Side by side on one line (in parallel)',
  doc: 'All keys close the same line to ground: whichever is pressed, the first of them is heard. For a key on a lead that is plugged in beside a built-in one; no other key of the set is ever heard by itself.',
  source: 'reckoning, Keypads (one line, any contact closes it)',
  params: z.strictObject({}),
  defaults: () => ({}),
  refuses: () => null,
  lines: () => [signal('line', 'in', { contact: true, atBoot: 'low' })],
  circuit: (keys) => ({ kind: 'together', keys }),
  parts: () => [],
  scanUs: () => 5,
});
