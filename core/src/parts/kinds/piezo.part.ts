import * as z from 'zod';
import { powerEnd, signal } from '../../gadget/index.ts';
import { count, definePart, hz, loudDb, noSupply, ua } from '../kind.ts';

export const piezo = definePart({
  id: 'piezo',
  title: 'Piezo sounder, passive',
  doc: 'A disc that plays the pitch it is given; quiet below a few hundred hertz.',
  group: 'sound',
  figures: z.strictObject({
    worstUa: ua('Draws at worst'),
    loudDb,
    resonanceHz: hz('Loudest at'),
    bandHz: hz('Half the power within'),
    sides: count('Sides driven by pins, 1 or 2', 1, 2),
  }),
  defaults: { worstUa: 5_000, loudDb: 85, resonanceHz: 4_000, bandHz: 2_000, sides: 1 },
  priceCents: 50,
  plays: () => ['tone'],
  // Driven from both sides it swings twice as far, and hangs between two pins.
  terminals: ({ worstUa, sides }) => [
    signal('signal', 'tone', { maxUa: worstUa }),
    sides === 2 ? signal('against', 'out', { maxUa: worstUa }) : powerEnd('minus', 'ground', worstUa),
  ],
  draws: ({ worstUa }) => ({ typicalUa: Math.round(worstUa / 5), worstUa }),
  supply: noSupply,
});
