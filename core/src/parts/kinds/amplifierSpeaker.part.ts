import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, count, definePart, hz, loudDb, ohms, powerEnds, supplied } from '../kind.ts';

export const amplifierSpeaker = definePart({
  id: 'amplifier-speaker',
  title: 'Amplifier with speaker',
  doc: 'A bridged amplifier module and its speaker: louder, and down to where its speaker gives out.',
  group: 'sound',
  figures: z.strictObject({
    ...supplied,
    speakerOhms: ohms('Speaker'),
    leastOhms: ohms('Least load of the amplifier'),
    speakerMw: count('Speaker stands, mW', 10, 100_000),
    loudDb,
    lowestHz: hz('As loud as that from'),
  }),
  defaults: {
    supplyMinMv: 2_500,
    supplyMaxMv: 5_500,
    typicalUa: 40_000,
    worstUa: 700_000,
    speakerOhms: 8,
    leastOhms: 4,
    speakerMw: 2_000,
    loudDb: 95,
    lowestHz: 250,
  },
  priceCents: 420,
  plays: () => ['tone'],
  terminals: (figures) => [signal('in', 'tone'), ...powerEnds(figures)],
  ...aModule,
});
