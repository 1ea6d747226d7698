import { wholeSchema } from '../gadget/index.ts';
import { defineExpectation } from '../output/index.ts';
import type { PlayerEntry } from './player.output.ts';

/** Which file sounds; 0: none. */
export const player = defineExpectation<PlayerEntry>()({
  kind: 'player',
  fields: { number: wholeSchema(0, 255) },
  lanes: ['player'],
  before: () => 0,
  value: (entry) =>
    entry.what === 'begins' ? entry.number : entry.what === 'ends' || entry.what === 'stops' ? 0 : undefined,
  holds: ({ number }, value) => value === number,
  seen: ({ what, number }) =>
    what === 'begins' ? { number } : what === 'ends' || what === 'stops' ? { number: 0 } : null,
});
