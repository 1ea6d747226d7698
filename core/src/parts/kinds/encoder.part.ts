import * as z from 'zod';
import { powerEnd } from '../../gadget/index.ts';
import { count, definePart, drawsNothing, encoderEnds, flag, noSupply } from '../kind.ts';

export const encoder = definePart({
  id: 'encoder',
  title: 'Rotary encoder',
  doc: 'Two contacts that tell steps and direction, without an end.',
  group: 'controls',
  figures: z.strictObject({
    detents: count('Detents a turn', 4, 128),
    countsPerDetent: count('Counts per detent', 1, 4),
    interrupts: flag('Read by interrupt'),
  }),
  defaults: { detents: 24, countsPerDetent: 4, interrupts: 0 },
  priceCents: 140,
  plays: () => ['encoder'],
  terminals: ({ interrupts }) => [...encoderEnds(interrupts), powerEnd('common', 'ground')],
  draws: drawsNothing,
  supply: noSupply,
});
