import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { defineScheme } from '../scheme.ts';

const params = z.strictObject({
  address: z.number().int().min(8).max(119).meta({ label: 'Bus address', unit: '' }),
  baud: z.number().int().min(10_000).max(1_000_000).meta({ label: 'Bus speed', unit: 'Hz' }),
});
const chips = (keys: number) => Math.max(1, Math.ceil(keys / 16));

export const expander = defineScheme({
  id: 'expander',
  title: 'Pin expander on a two-wire bus',
  doc: 'Chips of sixteen inputs with pull-ups inside, on the bus that a display may use already: then no further pins. Any number at once; slower to read.',
  source: 'reckoning, Buses and screens (9 bits a byte)',
  params,
  defaults: () => ({ address: 32, baud: 400_000 }),
  refuses: (keys) => (keys > 64 ? 'too-many-keys' : null),
  lines: (_keys, { baud }) => [
    signal('sda', { bus: 'i2c', line: 'sda', baud }, { highPerMille: 700 }),
    signal('scl', { bus: 'i2c', line: 'scl', baud }, { highPerMille: 700 }),
  ],
  circuit: (keys) => ({ kind: 'independent', keys }),
  parts: (keys) => [{ role: 'expander-chip', value: 16, quantity: chips(keys) }],
  /** Address, register, address again, two bytes of inputs: 5 bytes of 9 bits a chip. */
  scanUs: (keys, { baud }) => Math.ceil((chips(keys) * 5 * 9 * 1_000_000) / baud),
});
