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

/** The most characters that each can hold. */
const textLength = wholeSchema(1, limits.textLength, 'characters');
const textSchema = lineSchema(2 * limits.textLength);
const charactersOf = (text: string) => [...text].length;

/** Numbers of one row: a place is its row times this, and how far it is in the row. */
const columns = wholeSchema(1, limits.columns, 'columns');
const wholeRows = { message: 'expected whole rows: as many numbers as columns, or a multiple of it' };

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
  /** So many numbers, in rows; all begin alike. */
  z
    .strictObject({
      kind: z.literal('list'),
      ...common,
      ...bounded,
      length: wholeSchema(1, limits.cells),
      columns,
    })
    .refine(inside, outside)
    .refine(({ length, columns: wide }) => length % wide === 0, { path: ['length'], ...wholeRows }),
  /** Numbers that stay as they are, by place: what each key of a set sends, plays or costs; a row of them for each. */
  z
    .strictObject({
      kind: z.literal('table'),
      ...common,
      saved: z.null(),
      numbers: z
        .array(int32Schema)
        .min(1, 'expected at least one number')
        .max(limits.cells, `expected at most ${limits.cells} numbers`),
      columns,
    })
    .refine(({ numbers, columns: wide }) => numbers.length % wide === 0, { path: ['numbers'], ...wholeRows }),
  /** A short text that grows and shrinks: typed by keys, spelled, sent. */
  z
    .strictObject({ kind: z.literal('text'), ...common, length: textLength, initial: textSchema })
    .refine(({ initial, length }) => charactersOf(initial) <= length, {
      path: ['initial'],
      message: 'expected no more characters than it can hold',
    }),
  /** So many short texts in a row, each with its own beginning. */
  z
    .strictObject({
      kind: z.literal('texts'),
      ...common,
      length: textLength,
      initials: z
        .array(textSchema)
        .min(1, 'expected at least one text')
        .max(limits.listLength, `expected at most ${limits.listLength} texts`),
    })
    .superRefine(({ initials, length }, context) =>
      initials.forEach((text, at) => {
        if (charactersOf(text) > length)
          context.addIssue({
            code: 'custom',
            path: ['initials', at],
            message: `expected at most ${length} characters`,
          });
      }),
    ),
]);

export type Variable = z.infer<typeof variableSchema>;
export type Saved = z.infer<typeof savedSchema>;

/** What an expression asks of it: one number, numbers by place, a text, or texts by place. */
export type VariableShape = 'one' | 'places' | 'text' | 'texts';
export function variableShape({ kind }: Variable): VariableShape {
  if (kind === 'text' || kind === 'texts') return kind;
  return kind === 'list' || kind === 'table' ? 'places' : 'one';
}

/** The highest number of a character. (Unicode.) */
const lastCharacter = 0x10ffff;

/** Closed range of what the variable, each place of its list, or each character of its text can be. */
export function variableRange(variable: Variable): { low: number; high: number } {
  switch (variable.kind) {
    case 'flag':
      return { low: 0, high: 1 };
    case 'choice':
      return { low: 0, high: variable.options.length - 1 };
    case 'table':
      return { low: Math.min(...variable.numbers), high: Math.max(...variable.numbers) };
    case 'text':
    case 'texts':
      return { low: 0, high: lastCharacter };
    case 'number':
    case 'list':
      return { low: variable.min, high: variable.max };
  }
}

/** The numbers of a text's characters, 0 behind its end. */
export const charactersIn = (text: string, length: number): number[] => {
  const points = [...text].slice(0, length).map((one) => one.codePointAt(0)!);
  return [...points, ...Array<number>(length - points.length).fill(0)];
};

/** What it is at power-up, where nothing was saved, by slot. */
export function variableStarts(variable: Variable): number[] {
  switch (variable.kind) {
    case 'list':
      return Array<number>(variable.length).fill(variable.initial);
    case 'table':
      return variable.numbers;
    case 'text':
      return charactersIn(variable.initial, variable.length);
    case 'texts':
      return variable.initials.flatMap((text) => charactersIn(text, variable.length));
    default:
      return [variableStart(variable)];
  }
}

/** How many numbers it holds. */
export function variableSize(variable: Variable): number {
  switch (variable.kind) {
    case 'list':
    case 'text':
      return variable.length;
    case 'table':
      return variable.numbers.length;
    case 'texts':
      return variable.length * variable.initials.length;
    default:
      return 1;
  }
}

/** Bytes of each of its numbers, as far as its range needs them: 1, 2 or 4. */
export function bytesEach(variable: Variable): number {
  const { low, high } = variableRange(variable);
  return high - low < 256 ? 1 : high - low < 65_536 ? 2 : 4;
}

/** How many numbers stand in one of its rows; 1 for what has none. */
export const variableColumns = (variable: Variable): number =>
  variable.kind === 'list' || variable.kind === 'table' ? variable.columns : 1;

/** The number that it is at power-up, where nothing was saved; of a list that of each place, of a table its first. */
export function variableStart(variable: Variable): number {
  switch (variable.kind) {
    case 'flag':
      return variable.initial ? 1 : 0;
    case 'choice':
      return variable.options.findIndex(({ id }) => id === variable.initialId);
    case 'number':
    case 'list':
      return variable.initial;
    default:
      return variableStarts(variable)[0]!;
  }
}
