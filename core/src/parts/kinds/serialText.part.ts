import * as z from 'zod';
import { powerEnd, signal } from '../../gadget/index.ts';
import { count, definePart, drawsNothing, noSupply } from '../kind.ts';

/** A line that most panels are sent: as long as a reading of reckoning has it. */
const usualBytes = 24;

export const serialText = definePart({
  id: 'serial-text',
  title: 'Serial line for text',
  doc: 'Lines of text to a panel, a dimmer or a computer, one character after the other; both ends must be set to one speed.',
  group: 'links',
  figures: z.strictObject({ baud: count('Speed, baud', 300, 2_000_000) }),
  defaults: { baud: 9_600 },
  priceCents: 40,
  // Start, eight bits, stop. Source: reckoning, Buses and screens.
  readings: ({ baud }) => [
    { id: 'serialLine', value: Math.ceil((usualBytes * 10 * 1_000_000) / baud), unit: 'µs' },
    { id: 'serialRate', value: Math.floor(baud / (usualBytes * 10)), unit: 'Hz' },
  ],
  plays: () => ['serial'],
  terminals: ({ baud }) => [signal('data', { bus: 'uart', line: 'tx', baud }), powerEnd('common', 'ground')],
  draws: drawsNothing,
  supply: noSupply,
  memory: () => ({ ram: 64, flash: 400 }),
});
