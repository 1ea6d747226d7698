import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { count, definePart, mv, noSupply, segmentNames, ua } from '../kind.ts';

export const sevenSegment = definePart({
  id: 'seven-segment',
  title: 'Seven-segment display',
  doc: 'Digits of eight lights each, lit one digit at a time; a digit pin carries eight segments at once.',
  group: 'lights',
  figures: z.strictObject({
    digits: count('Digits', 1, 8),
    forwardMv: mv('Forward voltage'),
    wantUa: ua('Current wanted, each segment'),
    maxUa: ua('Current at most, each segment'),
  }),
  defaults: { digits: 4, forwardMv: 2_000, wantUa: 2_000, maxUa: 20_000 },
  priceCents: 150,
  plays: () => ['text'],
  terminals: ({ digits, wantUa }) => [
    ...segmentNames.map((name) => signal(name, 'out', { maxUa: wantUa })),
    ...Array.from({ length: digits }, (_, digit) =>
      signal(`digit${digit + 1}`, 'out', { maxUa: 8 * wantUa, sinks: true }),
    ),
  ],
  draws: ({ wantUa }) => ({ typicalUa: 4 * wantUa, worstUa: 8 * wantUa }),
  supply: noSupply,
  lamps: ({ forwardMv, wantUa, maxUa }) =>
    segmentNames.map((terminal) => ({ terminal, forwardMv, wantUa, maxUa })),
});
