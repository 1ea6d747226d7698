import * as z from 'zod';
import { definePart, oneOf, noSupply, ohms, trackDraws, trackEnds } from '../kind.ts';

export const potentiometer = definePart({
  id: 'potentiometer',
  title: 'Potentiometer',
  doc: 'A knob whose position is read as a voltage; true after power-up.',
  group: 'controls',
  figures: z.strictObject({
    trackOhms: ohms('Track'),
    taper: oneOf('Taper', ['linear', 'logarithmic', 'reverse logarithmic']),
  }),
  defaults: { trackOhms: 10_000, taper: 0 },
  priceCents: 110,
  plays: () => ['knob'],
  terminals: ({ trackOhms }) => trackEnds(trackOhms, ['wiper']),
  draws: ({ trackOhms }) => trackDraws(trackOhms, 1),
  supply: noSupply,
});
