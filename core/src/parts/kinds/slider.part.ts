import * as z from 'zod';
import { count, definePart, oneOf, noSupply, ohms, trackDraws, trackEnds } from '../kind.ts';

export const slider = definePart({
  id: 'slider',
  title: 'Slider with taper',
  doc: 'A straight potentiometer, readable by eye.',
  group: 'controls',
  figures: z.strictObject({
    trackOhms: ohms('Track'),
    taper: oneOf('Taper', ['linear', 'logarithmic', 'reverse logarithmic']),
    travelMm: count('Travel, mm', 10, 120),
  }),
  defaults: { trackOhms: 10_000, taper: 0, travelMm: 45 },
  priceCents: 240,
  plays: () => ['knob'],
  terminals: ({ trackOhms }) => trackEnds(trackOhms, ['wiper']),
  draws: ({ trackOhms }) => trackDraws(trackOhms, 1),
  supply: noSupply,
});
