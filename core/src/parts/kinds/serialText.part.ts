import * as z from 'zod';
import { powerEnd, signal } from '../../gadget/index.ts';
import { count, definePart, drawsNothing, flag, noSupply } from '../kind.ts';

/** A line that most panels are sent: as long as a reading of reckoning has it. */
const usualBytes = 24;

const lineUs = (baud: number) => Math.ceil((usualBytes * 10 * 1_000_000) / baud);

export const serialText = definePart({
  id: 'serial-text',
  title: 'Serial line for text',
  doc: 'Lines of text to a panel, a dimmer or a computer, one character after the other; both ends must be set to one speed.',
  group: 'links',
  figures: z.strictObject({
    baud: count('Speed, baud', 300, 2_000_000),
    software: flag('Sent by software, on any pin'),
    hears: flag('Lines come in, too'),
  }),
  defaults: { baud: 9_600, software: 0, hears: 0 },
  priceCents: 40,
  // Start, eight bits, stop. Source: reckoning, Buses and screens.
  readings: ({ baud, software }) => [
    { id: 'serialLine', value: lineUs(baud), unit: 'µs' },
    { id: 'serialRate', value: Math.floor(baud / (usualBytes * 10)), unit: 'Hz' },
    // Bit by bit, with nothing in between.
    ...(software ? [{ id: 'deafLine', value: lineUs(baud), unit: 'µs' } as const] : []),
  ],
  plays: () => ['serial'],
  terminals: ({ baud, software, hears }) => [
    signal('data', software ? 'out' : { bus: 'uart', line: 'tx', baud }),
    ...(hears
      ? [signal('back', software ? 'edge' : { bus: 'uart', line: 'rx', baud }, { drives: true })]
      : []),
    powerEnd('common', 'ground'),
  ],
  draws: drawsNothing,
  supply: noSupply,
  memory: () => ({ ram: 64, flash: 400 }),
});
