import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, amplifierDefaults, amplifierFigures, definePart, hz, powerEnds } from '../kind.ts';

export const amplifierSpeaker = definePart({
  id: 'amplifier-speaker',
  title: 'Amplifier with speaker',
  doc: 'A bridged amplifier module and its speaker: louder, and down to where its speaker gives out.',
  group: 'sound',
  figures: z.strictObject({ ...amplifierFigures, lowestHz: hz('As loud as that from') }),
  defaults: { ...amplifierDefaults, worstUa: 700_000, lowestHz: 250 },
  priceCents: 420,
  plays: () => ['tone'],
  terminals: (figures) => [signal('in', 'tone'), ...powerEnds(figures)],
  ...aModule,
});
