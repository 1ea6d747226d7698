import * as z from 'zod';
import { limits } from './limits.ts';
import { durationUsSchema, idSchema, int32Schema, lineSchema, wholeSchema } from './primitives.schema.ts';

/** Words that mean something by themselves in expressions; a variable may not take one. Other functions have brackets. */
export const functionNames = ['random', 'min', 'max', 'abs', 'clamp', 'elapsed', 'true', 'false'] as const;

const wordSchema = z
  .string()
  .regex(/^[A-Za-z_][A-Za-z0-9_]{0,31}$/, 'expected a word such as "heat" (letters, digits, underscore)');

const variableName = wordSchema.refine(
  (name) => !(functionNames as readonly string[]).includes(name),
  'expected a name that is not a function',
);

/** When a variable that survives power-off is written down. */
const savedSchema = z.discriminatedUnion('when', [
  /** With every change. */
  z.strictObject({ when: z.literal('change') }),
  /** Once it has not changed for that long. */
  z.strictObject({ when: z.literal('quiet'), quietUs: durationUsSchema(1_000) }),
  /** Where the flow says so. */
  z.strictObject({ when: z.literal('asked') }),
]);

const common = {
  id: idSchema,
  name: variableName,
  /** null: forgotten at power-off. */
  saved: savedSchema.nullable(),
};

const bounded = {
  initial: int32Schema,
  min: int32Schema,
  max: int32Schema,
  /** What an assignment outside [min, max] does: stop at the end, or come in again at the other one. */
  overflow: z.enum(['hold', 'wrap']),
};

const inside = (variable: { initial: number; min: number; max: number }) =>
  variable.min <= variable.initial && variable.initial <= variable.max;
const outside = { path: ['initial'], message: 'expected a start value between min and max' };

export const variableSchema = z.discriminatedUnion('kind', [
  z
    .strictObject({ kind: z.literal('number'), ...common, ...bounded, unit: lineSchema(limits.unitChars) })
    .refine(inside, outside),
  z.strictObject({ kind: z.literal('flag'), ...common, initial: z.boolean() }),
  /** One of several named things; its number is the place in the list, from 0. */
  z
    .strictObject({
      kind: z.literal('choice'),
      ...common,
      options: z
        .array(z.strictObject({ id: idSchema, name: wordSchema }))
        .min(1, 'expected at least one option')
        .max(limits.options),
      initialId: idSchema,
    })
    .refine(({ options, initialId }) => options.some(({ id }) => id === initialId), {
      path: ['initialId'],
      message: 'expected the id of one of the options',
    }),
  /** So many numbers in a row; all begin alike. */
  z
    .strictObject({
      kind: z.literal('list'),
      ...common,
      ...bounded,
      length: wholeSchema(1, limits.listLength),
    })
    .refine(inside, outside),
]);

export type Variable = z.infer<typeof variableSchema>;
export type Saved = z.infer<typeof savedSchema>;

/** Closed range of what the variable, or each place of its list, can be. */
export function variableRange(variable: Variable): { low: number; high: number } {
  if (variable.kind === 'flag') return { low: 0, high: 1 };
  if (variable.kind === 'choice') return { low: 0, high: variable.options.length - 1 };
  return { low: variable.min, high: variable.max };
}

/** How many numbers it holds. */
export const variableSize = (variable: Variable): number => (variable.kind === 'list' ? variable.length : 1);

/** What it, or each place of its list, is at power-up, where nothing was saved. */
export function variableStart(variable: Variable): number {
  if (variable.kind === 'flag') return variable.initial ? 1 : 0;
  if (variable.kind === 'choice') return variable.options.findIndex(({ id }) => id === variable.initialId);
  return variable.initial;
}
