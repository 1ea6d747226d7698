import * as z from 'zod';
import { expressionSchema, templateSchema } from './expressions.schema.ts';
import { idSchema, nameSchema } from './primitives.schema.ts';

/*
 * How a kind of output stands in the document: what one of them is, and what it can be told. From these fields follow
 * the schema, what is written in an action, what it refers to, how it is compiled and worked out; so a new one is
 * described once, in its own room.
 */

/** Worked out when it is told: a whole number. */
export const expression = { role: 'expression', schema: expressionSchema } as const;
/** Filled in when it is told: a text. */
export const template = { role: 'template', schema: templateSchema } as const;
/** All places of a list, as they are when it is told. */
export const list = { role: 'list', schema: idSchema } as const;
/** As the document has it. */
export const constant = <S extends z.ZodType>(schema: S) => ({ role: 'constant', schema }) as const;

/** One thing that an action says. */
export type Field =
  | typeof expression
  | typeof template
  | typeof list
  | { readonly role: 'constant'; readonly schema: z.ZodType };

/** What an action says, in the order in which it is worked out: chance is drawn in that order. */
export type Fields = Readonly<Record<string, Field>>;

/** The same in the document. */
export type Said<F extends Fields> = { -readonly [N in keyof F]: z.infer<F[N]['schema']> };

/** What kinds of output can be told, by name. A name means the same with every kind that knows it. */
export type OutputActions = Readonly<Record<string, Fields>>;

type Figures = Readonly<Record<string, z.ZodType>>;

/** One of that kind in the document: its id, its name, and its figures. */
export type Described<K extends string, G extends Figures> = { id: string; kind: K; name: string } & {
  -readonly [N in keyof G]: z.infer<G[N]>;
};

export interface OutputDocument<K extends string, G extends Figures, A extends OutputActions> {
  readonly kind: K;
  readonly schema: z.ZodType<Described<K, G>>;
  readonly actions: A;
}

/**
 * Describes a kind of output.
 * @param figures what each has besides its name
 * @param actions what it can be told, by the action's kind
 * @param check what must be so between figures
 */
export function outputDocument<K extends string, const G extends Figures, const A extends OutputActions>(
  kind: K,
  figures: G,
  actions: A,
  check: (schema: z.ZodType<Described<K, G>>) => z.ZodType<Described<K, G>> = (schema) => schema,
): OutputDocument<K, G, A> {
  const schema = z.strictObject({ id: idSchema, kind: z.literal(kind), name: nameSchema, ...figures });
  return { kind, schema: check(schema as unknown as z.ZodType<Described<K, G>>), actions };
}

/** The schema of one action of an output. */
export const actionSchemaOf = (kind: string, fields: Fields) =>
  z.strictObject({
    kind: z.literal(kind),
    outputId: idSchema,
    ...Object.fromEntries(Object.entries(fields).map(([name, { schema }]) => [name, schema])),
  });
