import * as z from 'zod';
import { expressionSchema } from './expressions.schema.ts';
import { limits } from './limits.ts';
import {
  durationUsSchema,
  idSchema,
  lineSchema,
  nameSchema,
  proseSchema,
  wholeSchema,
} from './primitives.schema.ts';

export const fates = ['keep', 'later', 'cut'] as const;
export const circumstances = ['dark', 'one-hand', 'gloves', 'standing', 'first-time'] as const;
export const caseMaterials = ['plastic', 'wood', 'metal', 'card'] as const;
export const pictureTypes = ['image/png', 'image/jpeg', 'image/webp'] as const;

/** What a word comes to: a number with its unit, or a sentence; null: not said yet. */
export const specificationSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('number'),
    /** In thousandths of the unit, so that 0.5 s and 3.3 V are exact. */
    milli: wholeSchema(-1_000_000_000_000, 1_000_000_000_000),
    unit: lineSchema(24),
  }),
  z.strictObject({ kind: z.literal('sentence'), text: lineSchema(limits.sentenceChars).min(1) }),
]);

export const wordSchema = z.strictObject({
  id: idSchema,
  text: nameSchema,
  spec: specificationSchema.nullable(),
  fate: z.enum(fates),
  /** Why it has that fate. */
  reason: lineSchema(limits.sentenceChars),
  /** What became of it: ids of parts, tasks, states or outputs. */
  links: z.array(idSchema).max(limits.linksPerWord),
});

export const taskSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Where the user is when they want it; null: wherever. */
  startStateId: idSchema.nullable(),
  /** Being here means it is done; null: not said yet, or told by `doneWhen` alone. */
  goalStateId: idSchema.nullable(),
  /** Done only where this expression over variables is not 0; null: no condition. */
  doneWhen: expressionSchema.nullable(),
  budgetPresses: wholeSchema(0, 1_000).nullable(),
  budgetUs: durationUsSchema().nullable(),
  circumstances: z.array(z.enum(circumstances)).max(circumstances.length),
});

/** Wishes with numbers; null: none. */
export const wishesSchema = z.strictObject({
  priceCents: wholeSchema(0, limits.priceCents).nullable(),
  runtimeHours: wholeSchema(0, 100_000, 'h').nullable(),
  latencyUs: durationUsSchema().nullable(),
  weightG: wholeSchema(0, 100_000, 'g').nullable(),
  widthMm: wholeSchema(0, 10_000, 'mm').nullable(),
  heightMm: wholeSchema(0, 10_000, 'mm').nullable(),
  depthMm: wholeSchema(0, 10_000, 'mm').nullable(),
  caseMaterial: z.enum(caseMaterials).nullable(),
});

/** The drawing, by the sum of its bytes: the picture itself is kept beside the document, so that undo is cheap. */
export const pictureSchema = z.strictObject({
  sha256: z.string().regex(/^[0-9a-f]{64}$/, 'expected 64 hexadecimal digits'),
  type: z.enum(pictureTypes),
  name: nameSchema,
});

export const briefSchema = z.strictObject({
  purpose: proseSchema,
  picture: pictureSchema.nullable(),
  words: z.array(wordSchema).max(limits.words),
  tasks: z.array(taskSchema).max(limits.tasks),
  wishes: wishesSchema,
});

export type Fate = (typeof fates)[number];
export type Circumstance = (typeof circumstances)[number];
export type CaseMaterial = (typeof caseMaterials)[number];
export type Specification = z.infer<typeof specificationSchema>;
export type Word = z.infer<typeof wordSchema>;
export type Task = z.infer<typeof taskSchema>;
export type Wishes = z.infer<typeof wishesSchema>;
export type Photo = z.infer<typeof pictureSchema>;
export type Brief = z.infer<typeof briefSchema>;

export const noWishes: Wishes = {
  priceCents: null,
  runtimeHours: null,
  latencyUs: null,
  weightG: null,
  widthMm: null,
  heightMm: null,
  depthMm: null,
  caseMaterial: null,
};
