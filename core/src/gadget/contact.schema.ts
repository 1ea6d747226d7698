import * as z from 'zod';
import { limits } from './limits.ts';
import { idSchema, nameSchema, wholeSchema } from './primitives.schema.ts';

/**
 * A touch pad instead of a switch: a signal that rises when a finger comes, a threshold, and a rest level that
 * wanders with damp and warmth. In thousandths of the signal of a dry finger.
 */
const touchSchema = z.strictObject({
  /** Counts as touched from here. */
  thresholdPerMille: wholeSchema(1, 1_000, '‰'),
  /** Time constant of the rise. */
  riseUs: wholeSchema(100, 1_000_000, 'µs'),
  /** The rest level climbs by so much a minute; negative: it sinks. */
  driftPerMillePerMinute: wholeSchema(-1_000, 1_000, '‰'),
  /** The pad takes its rest level anew so often while nobody touches it; null: only at power-up. */
  recalibrateUs: wholeSchema(1_000_000, limits.timeUs, 'µs').nullable(),
});

/**
 * How a switch behaves electrically. All figures are the part's own and can be edited; `model` only remembers which
 * class they were started from (see contact/models.ts).
 */
export const contactSchema = z.strictObject({
  model: idSchema,
  /** No bounce is left this long after closing. */
  closeMaxUs: wholeSchema(0, 100_000, 'µs'),
  /** No bounce is left this long after opening; often longer than closing. */
  openMaxUs: wholeSchema(0, 100_000, 'µs'),
  /** Chance in 1000 that one more pair of edges follows (geometric). */
  againPerMille: wholeSchema(0, 950),
  /** Median of the log-normal gap between edges. */
  gapMedianUs: wholeSchema(1, 20_000, 'µs'),
  /** Log-normal sigma of the gap, in thousandths. */
  gapSpreadPerMille: wholeSchema(0, 1_500),
  /** Openings of a worn contact while it is held, in a minute of holding (Poisson), each up to `chatterMaxUs`. */
  chatterPerMinute: wholeSchema(0, 6_000),
  chatterMaxUs: wholeSchema(1, 50_000, 'µs'),
  /** Spikes on the wire, in an hour (Poisson), each from 1 µs to `glitchMaxUs`. */
  glitchPerHour: wholeSchema(0, 360_000),
  glitchMaxUs: wholeSchema(1, 10_000, 'µs'),
  touch: touchSchema.nullable(),
  /** Presses of this capture are played instead of drawn ones; null: drawn. */
  captureId: idSchema.nullable(),
});

/** Times of the edges of one bounce, µs from the first, alternating, ascending. The first is 0. */
const bounceSchema = z
  .array(wholeSchema(0, 1_000_000, 'µs'))
  .min(1, 'expected at least the change itself')
  .max(limits.captureEdges)
  .refine((edges) => edges[0] === 0 && edges.every((at, i) => i === 0 || at > edges[i - 1]!), {
    message: 'expected times that rise from 0',
  })
  .refine((edges) => edges.length % 2 === 1, {
    message: 'expected an odd number of edges: it comes to rest',
  });

/** Real presses, cut out of a trace. */
export const captureSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  presses: z
    .array(
      z.strictObject({
        heldUs: wholeSchema(1, limits.timeUs, 'µs'),
        closeUs: bounceSchema,
        openUs: bounceSchema,
      }),
    )
    .min(1, 'expected at least one press')
    .max(limits.capturePresses),
});

export type ContactFigures = z.infer<typeof contactSchema>;
export type TouchFigures = NonNullable<ContactFigures['touch']>;
export type Capture = z.infer<typeof captureSchema>;
export type CapturedPress = Capture['presses'][number];
