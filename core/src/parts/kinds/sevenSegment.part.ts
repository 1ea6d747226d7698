import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { count, definePart, moreSegmentNames, mv, noSupply, oneOf, segmentNames, ua } from '../kind.ts';

/** Seven segments and a point; or fourteen. */
const linesOf = ({ segments }: { segments: number }): string[] =>
  segments === 0 ? segmentNames : [...segmentNames, ...moreSegmentNames];

export const sevenSegment = definePart({
  id: 'seven-segment',
  title: 'Segment display',
  doc: 'Digits of seven segments, or letters of fourteen, and a point each, lit one place at a time; the pin of a place carries all of its segments at once.',
  group: 'lights',
  figures: z.strictObject({
    digits: count('Digits', 1, 8),
    segments: oneOf('Segments', ['seven', 'fourteen']),
    forwardMv: mv('Forward voltage'),
    wantUa: ua('Current wanted, each segment'),
    maxUa: ua('Current at most, each segment'),
  }),
  defaults: { digits: 4, segments: 0, forwardMv: 2_000, wantUa: 2_000, maxUa: 20_000 },
  priceCents: 150,
  plays: () => ['text'],
  terminals: ({ digits, segments, wantUa }) => [
    ...linesOf({ segments }).map((name) => signal(name, 'out', { maxUa: wantUa })),
    ...Array.from({ length: digits }, (_, digit) =>
      signal(`digit${digit + 1}`, 'out', { maxUa: linesOf({ segments }).length * wantUa, sinks: true }),
    ),
  ],
  draws: ({ segments, wantUa }) => {
    const lines = linesOf({ segments }).length;
    return { typicalUa: (lines / 2) * wantUa, worstUa: lines * wantUa };
  },
  supply: noSupply,
  lamps: ({ segments, forwardMv, wantUa, maxUa }) =>
    linesOf({ segments }).map((terminal) => ({ terminal, forwardMv, wantUa, maxUa })),
});
