import * as z from 'zod';
import { powerEnd, signal } from '../../gadget/index.ts';
import { definePart, hz, loudDb, noSupply, ua } from '../kind.ts';

export const buzzer = definePart({
  id: 'buzzer',
  title: 'Buzzer, self-oscillating',
  doc: 'Makes its one pitch by itself as soon as it has power; it cannot play a tune.',
  group: 'sound',
  figures: z.strictObject({ ownHz: hz('Its own pitch'), worstUa: ua('Draws'), loudDb }),
  defaults: { ownHz: 2_400, worstUa: 25_000, loudDb: 92 },
  priceCents: 70,
  plays: () => ['tone'],
  terminals: ({ worstUa }) => [signal('on', 'out', { maxUa: worstUa }), powerEnd('minus', 'ground', worstUa)],
  draws: ({ worstUa }) => ({ typicalUa: Math.round(worstUa / 10), worstUa }),
  supply: noSupply,
});
