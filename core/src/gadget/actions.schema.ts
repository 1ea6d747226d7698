import * as z from 'zod';
import { expressionSchema, lengthSchema, templateSchema } from './expressions.schema.ts';
import { limits } from './limits.ts';
import { outputActionSchemas, type OutputAction } from './outputs.schema.ts';
import { durationUsSchema, idSchema } from './primitives.schema.ts';

/** What a flow does with itself: values, timers, signals, memory, time. */
const ownSchemas = [
  /** `index`: which place of a list, from 0; null: all of it. */
  z.strictObject({
    kind: z.literal('set'),
    variableId: idSchema,
    index: expressionSchema.nullable(),
    value: expressionSchema,
  }),
  /** Every place of a list takes what the next one holds; the last takes the value. */
  z.strictObject({ kind: z.literal('shift'), variableId: idSchema, value: expressionSchema }),
  /** A text, or the one at a place of several, becomes another, or has something put behind it. What is too much is lost. */
  z.strictObject({
    kind: z.literal('setText'),
    variableId: idSchema,
    index: expressionSchema.nullable(),
    text: templateSchema,
  }),
  z.strictObject({
    kind: z.literal('append'),
    variableId: idSchema,
    index: expressionSchema.nullable(),
    text: templateSchema,
  }),
  /** Its last characters go, so many. */
  z.strictObject({
    kind: z.literal('shorten'),
    variableId: idSchema,
    index: expressionSchema.nullable(),
    by: expressionSchema,
  }),
  /** Every saved variable is written down, or read back. */
  z.strictObject({ kind: z.literal('save') }),
  z.strictObject({ kind: z.literal('recall') }),
  /** Begins anew where it runs already. `every`: goes on until stopped. */
  z.strictObject({
    kind: z.literal('start'),
    timerId: idSchema,
    length: lengthSchema,
    every: z.boolean(),
  }),
  z.strictObject({ kind: z.literal('stop'), timerId: idSchema }),
  /** null: heard before anything from outside. With a delay it comes from outside, then. */
  z.strictObject({ kind: z.literal('raise'), signalId: idSchema, delay: lengthSchema.nullable() }),
  /** Those of its kind that are still on their way never come. */
  z.strictObject({ kind: z.literal('cancel'), signalId: idSchema }),
  /** Blocking wait: the whole loop stands still, inputs are not read. */
  z.strictObject({ kind: z.literal('wait'), lengthUs: durationUsSchema(1_000) }),
] as const;

export const actionSchema = z.discriminatedUnion('kind', [
  ...ownSchemas,
  ...outputActionSchemas,
]) as unknown as z.ZodType<Action>;

export const actionsSchema = z
  .array(actionSchema)
  .max(
    limits.actionsPerList,
    `expected at most ${limits.actionsPerList} things to do at once: what goes beyond that goes into a state of its own`,
  );

export type Action = z.infer<(typeof ownSchemas)[number]> | OutputAction;
