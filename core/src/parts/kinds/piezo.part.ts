import * as z from 'zod';
import { powerEnd, signal } from '../../gadget/index.ts';
import { definePart, loudDb, noSupply, ua } from '../kind.ts';

export const piezo = definePart({
  id: 'piezo',
  title: 'Piezo sounder, passive',
  doc: 'A disc that plays the pitch it is given; quiet below a few hundred hertz.',
  group: 'sound',
  figures: z.strictObject({ worstUa: ua('Draws at worst'), loudDb }),
  defaults: { worstUa: 5_000, loudDb: 85 },
  priceCents: 50,
  plays: () => ['tone'],
  terminals: ({ worstUa }) => [
    signal('signal', 'tone', { maxUa: worstUa }),
    powerEnd('minus', 'ground', worstUa),
  ],
  draws: ({ worstUa }) => ({ typicalUa: Math.round(worstUa / 5), worstUa }),
  supply: noSupply,
});
