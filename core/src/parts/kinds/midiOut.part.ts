import * as z from 'zod';
import { powerEnd, signal } from '../../gadget/index.ts';
import { definePart, noSupply, ua } from '../kind.ts';

export const midiOut = definePart({
  id: 'midi-out',
  title: 'MIDI out',
  doc: 'A socket that sends notes and programs: a current loop of 5 mA on a serial line at 31,250 baud.',
  group: 'links',
  figures: z.strictObject({ loopUa: ua('Loop current') }),
  defaults: { loopUa: 5_000 },
  priceCents: 140,
  plays: () => ['midi'],
  terminals: ({ loopUa }) => [
    signal('data', { bus: 'uart', line: 'tx', baud: 31_250 }, { maxUa: loopUa }),
    powerEnd('source', 'supply', loopUa),
    powerEnd('shield', 'ground'),
  ],
  draws: ({ loopUa }) => ({ typicalUa: Math.round(loopUa / 4), worstUa: loopUa }),
  supply: noSupply,
  memory: () => ({ ram: 64 }),
});
