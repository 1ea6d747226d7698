import * as z from 'zod';
import { powerEnd } from '../../gadget/index.ts';
import {
  contactDefaults,
  contactEnds,
  contactFigures,
  count,
  definePart,
  drawsNothing,
  encoderEnds,
  flag,
  noSupply,
} from '../kind.ts';

export const encoderPush = definePart({
  id: 'encoder-push',
  title: 'Rotary encoder with push',
  doc: 'An encoder whose shaft is also a key.',
  group: 'controls',
  figures: z.strictObject({
    detents: count('Detents a turn', 4, 128),
    countsPerDetent: count('Counts per detent', 1, 4),
    interrupts: flag('Read by interrupt'),
    ...contactFigures,
  }),
  defaults: { detents: 24, countsPerDetent: 4, interrupts: 0, ...contactDefaults },
  priceCents: 170,
  plays: () => ['button', 'encoder'],
  terminals: (figures) => [
    ...encoderEnds(figures.interrupts),
    powerEnd('common', 'ground'),
    ...contactEnds(figures, 'push'),
  ],
  draws: drawsNothing,
  supply: noSupply,
});
