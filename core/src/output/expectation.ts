import * as z from 'zod';
import { idSchema, type OutputKind, type OutputOf } from '../gadget/index.ts';

export const comparisons = ['=', '≠', '<', '≤', '>', '≥'] as const;
export type Comparison = (typeof comparisons)[number];

const comparing: Readonly<Record<Comparison, (a: number, b: number) => boolean>> = {
  '=': (a, b) => a === b,
  '≠': (a, b) => a !== b,
  '<': (a, b) => a < b,
  '≤': (a, b) => a <= b,
  '>': (a, b) => a > b,
  '≥': (a, b) => a >= b,
};
export const compares = (a: number | string, how: Comparison, b: number): boolean =>
  comparing[how](Number(a), b);

type Shape = Readonly<Record<string, z.ZodType>>;
type Wanted<F extends Shape> = { -readonly [N in keyof F]: z.infer<F[N]> };

/** What a trial can expect of a kind of output. What it was is a course of values, read off its entries of the trace. */
export interface OutputExpectation<
  K extends OutputKind,
  F extends Shape,
  E extends { readonly lane: string },
> {
  readonly kind: K;
  /** Other kinds of output that it can be expected of: they write the same entries. */
  readonly also?: readonly OutputKind[];
  /** What is said of it, besides which output it is. */
  readonly fields: F;
  /** Lanes that it is read off. */
  readonly lanes: readonly E['lane'][];
  /** What it is until the first entry. */
  before(output: OutputOf<K>): string | number;
  /** What an entry of its lanes makes of it; undefined: nothing, the entry speaks of something else. */
  value(entry: E, wanted: Wanted<F>): string | number | undefined;
  holds(wanted: Wanted<F>, value: string | number): boolean;
  /** What is to be wanted so that this entry fulfils it; null: it shows nothing that can be wanted. */
  seen(entry: E): Wanted<F> | null;
}

/** @template E entries that its output writes, by type; the rest follows from what is given */
export const defineExpectation =
  <E extends { readonly lane: string }>() =>
  <K extends OutputKind, const F extends Shape>(
    expectation: OutputExpectation<K, F, E>,
  ): OutputExpectation<K, F, E> =>
    expectation;

/** The schema of what is expected of that kind of output. */
export const expectationSchemaOf = ({ kind, fields }: { kind: OutputKind; fields: Shape }) =>
  z.strictObject({ kind: z.literal(kind), outputId: idSchema, ...fields });
