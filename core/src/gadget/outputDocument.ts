import * as z from 'zod';
import { expressionSchema, lengthSchema, templateSchema } from './expressions.schema.ts';
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
/** How long, when it is told: whole µs, fixed or worked out. */
export const length = { role: 'length', schema: lengthSchema } as const;
/** All places of a list, as they are when it is told. */
export const list = { role: 'list', schema: idSchema } as const;
/** All rows of a list or a table, as they are when it is told. */
export const rows = { role: 'rows', schema: idSchema } as const;
/** All texts of a list of them, as they are when it is told. */
export const texts = { role: 'texts', schema: idSchema } as const;
/** As the document has it. */
export const constant = <S extends z.ZodType>(schema: S) => ({ role: 'constant', schema }) as const;

/** One thing that an action says. */
export type Field =
  | typeof expression
  | typeof template
  | typeof list
  | typeof rows
  | typeof texts
  | typeof length
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

/** Figures of the part that plays it, by name: a class has those that it needs. */
export type PartFigures = Readonly<Record<string, number | undefined>>;

/** What takes up an output: eyes, ears, something that moves, or another machine, to which every telling is a deed. */
export type Reaches = 'eyes' | 'ears' | 'motion' | 'machines';

/** An action as the document has it. */
type Action<A extends OutputActions> = {
  [N in keyof A]: { kind: N; outputId: string } & Said<A[N]>;
}[keyof A];

interface Rest<K extends string, G extends Figures, A extends OutputActions> {
  readonly reaches: Reaches;
  /** Whether an action leaves it lit or dark, as far as that is known before it runs; without: never. */
  leaves?(action: Action<A>): 'lit' | 'dark' | null;
  /** How often it flashes that is told so by itself, in hundredths of a hertz; 0, and without: it does not. */
  flashingCentiHz?(action: Action<A>): number;
  /** The same, flashing only so often. Only asked of what flashes. */
  calmed?(action: Action<A>, centiHz: number): Action<A>;
  /** As it comes out of the drawer with a part of these figures. */
  fresh(part: PartFigures): { -readonly [N in keyof G]: z.infer<G[N]> };
  /** Which of that stays as these figures of the part have it, whenever they change. */
  follows?(part: PartFigures): readonly (keyof G & string)[];
  /** Actions that are no deeds: they stand on a page, and draw it whenever it is drawn. */
  onPages?: readonly (keyof A & string)[];
  /** What must be so between figures. */
  check?(schema: z.ZodType<Described<K, G>>): z.ZodType<Described<K, G>>;
}

export interface OutputDocument<K extends string, G extends Figures, A extends OutputActions> extends Omit<
  Rest<K, G, A>,
  'check' | 'follows' | 'onPages'
> {
  readonly kind: K;
  readonly schema: z.ZodType<Described<K, G>>;
  readonly actions: A;
  follows(part: PartFigures): readonly string[];
  readonly onPages: readonly string[];
}

/**
 * Describes a kind of output.
 * @param figures what each has besides its name
 * @param actions what it can be told, by the action's kind
 */
export function outputDocument<K extends string, const G extends Figures, const A extends OutputActions>(
  kind: K,
  figures: G,
  actions: A,
  { check = (schema) => schema, follows = () => [], onPages = [], ...rest }: Rest<K, G, A>,
): OutputDocument<K, G, A> {
  const schema = z.strictObject({ id: idSchema, kind: z.literal(kind), name: nameSchema, ...figures });
  return {
    kind,
    schema: check(schema as unknown as z.ZodType<Described<K, G>>),
    actions,
    follows,
    onPages,
    ...rest,
  };
}

/** The schema of one action of an output. */
export const actionSchemaOf = (kind: string, fields: Fields) =>
  z.strictObject({
    kind: z.literal(kind),
    outputId: idSchema,
    ...Object.fromEntries(Object.entries(fields).map(([name, { schema }]) => [name, schema])),
  });
