import * as z from 'zod';
import {
  contactDefaults,
  contactEnds,
  contactFigures,
  definePart,
  noSupply,
  ohms,
  trackDraws,
  trackEnds,
} from '../kind.ts';

export const stick = definePart({
  id: 'stick',
  title: 'Two-axis stick with push',
  doc: 'Two potentiometers under one lever; rests near the middle, never quite in it.',
  group: 'controls',
  figures: z.strictObject({ trackOhms: ohms('Track of each axis'), ...contactFigures }),
  defaults: { trackOhms: 10_000, ...contactDefaults },
  priceCents: 320,
  plays: () => ['button', 'knob', 'knob'],
  terminals: (figures) => [
    ...trackEnds(figures.trackOhms, ['across', 'along']),
    ...contactEnds(figures, 'push'),
  ],
  draws: ({ trackOhms }) => trackDraws(trackOhms, 2),
  supply: noSupply,
});
