import * as z from 'zod';
import { limits } from './limits.ts';
import { idSchema, nameSchema, wholeSchema } from './primitives.schema.ts';

/** What equipment hears or sends over MIDI, besides clocks. */
export const neighbourKinds = ['notes', 'programs', 'controls'] as const;

/** Equipment that stands beside the gadget, as its maker says it is set: what it hears of an output, or sends to the gadget. */
export const neighbourSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** The output whose wire leads to it, and that it hears; null: it sends to the gadget. */
  outputId: idSchema.nullable(),
  /** Each once, in order; none: all sixteen. */
  channels: z
    .array(wholeSchema(1, 16))
    .max(16, 'expected at most 16 channels')
    .refine(
      (channels) => channels.every((one, n) => n === 0 || one > channels[n - 1]!),
      'expected channels in order, each once',
    ),
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
