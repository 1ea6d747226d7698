import * as z from 'zod';
import { definePart, noSupply, ohms, trackDraws, trackEnds } from '../kind.ts';

export const lightSensor = definePart({
  id: 'light-sensor',
  title: 'Light sensor',
  doc: 'A resistor that falls with light, read against a fixed one as a voltage.',
  group: 'sensors',
  figures: z.strictObject({ darkOhms: ohms('In the dark'), brightOhms: ohms('In bright light') }),
  defaults: { darkOhms: 1_000_000, brightOhms: 5_000 },
  priceCents: 60,
  plays: () => ['knob'],
  terminals: ({ brightOhms }) => trackEnds(brightOhms, ['level']),
  draws: ({ brightOhms }) => trackDraws(brightOhms, 1),
  supply: noSupply,
});
