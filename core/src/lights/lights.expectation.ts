import * as z from 'zod';
import { paints, wholeSchema } from '../gadget/index.ts';
import { defineExpectation } from '../output/index.ts';
import { nameOf } from './colours.ts';
import type { LightsEntry } from './lights.output.ts';
import { laidOut } from './picture.ts';

/** The colour that a light was told, by the nearest name; of a fade, the one it ends with. */
export const lights = defineExpectation<LightsEntry>()({
  kind: 'lights',
  fields: { place: wholeSchema(0, 255), colour: z.enum([...paints, 'lit']) },
  lanes: ['lights', 'lightsGoing'],
  before: () => 'off',
  value(entry, { place }) {
    if (entry.lane === 'outside') return undefined;
    if (entry.lane === 'lights') {
      const colour = laidOut(entry.runs)[place - entry.first];
      return colour === undefined ? undefined : nameOf(colour);
    }
    const inside = place >= entry.first && place <= entry.last;
    return inside && 'through' in entry ? nameOf(entry.through.at(-1)!) : undefined;
  },
  holds: ({ colour }, value) => (colour === 'lit' ? value !== 'off' : value === colour),
  seen(entry) {
    // The first of its lights speaks for all that it was told with.
    if (entry.lane === 'lights') return { place: entry.first, colour: nameOf(laidOut(entry.runs)[0]!) };
    return entry.lane === 'lightsGoing' && 'through' in entry
      ? { place: entry.first, colour: nameOf(entry.through.at(-1)!) }
      : null;
  },
});
