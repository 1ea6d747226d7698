import * as z from 'zod';
import { limits } from './limits.ts';
import { channelsSchema, idSchema, nameSchema } from './primitives.schema.ts';

/** What equipment hears or sends over MIDI, besides clocks. */
export const neighbourKinds = ['notes', 'programs', 'controls'] as const;

/** Equipment that stands beside the gadget, as its maker says it is set: what it hears of an output, or sends to the gadget. */
export const neighbourSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** The output whose wire leads to it, and that it hears; null: it sends to the gadget. */
  outputId: idSchema.nullable(),
  /** Each once, in order; none: all sixteen. */
  channels: channelsSchema,
  kinds: z
    .array(z.enum(neighbourKinds))
    .min(1, 'expected at least one kind of message')
    .max(neighbourKinds.length, `expected each of ${neighbourKinds.join(', ')} once at most`),
});

export const neighboursSchema = z
  .array(neighbourSchema)
  .max(limits.neighbours, `expected at most ${limits.neighbours} neighbours`);

export type Neighbour = z.infer<typeof neighbourSchema>;
export type NeighbourKind = (typeof neighbourKinds)[number];
