import type * as z from 'zod';
import { byOutputKind, type Output, type OutputKind } from '../gadget/index.ts';
import type { TraceEntry } from '../machine/index.ts';
import type { OutputExpectation } from '../output/index.ts';
import { outputExpectations } from './outputExpectations.ts';

type Listed = (typeof outputExpectations)[number];
type Flat<T> = { [N in keyof T]: T[N] };

/** What is expected of a kind of output. */
export type OutputWhatOf<K extends OutputKind> = {
  [E in Listed as E['kind']]: Flat<
    { kind: E['kind']; outputId: string } & { -readonly [N in keyof E['fields']]: z.infer<E['fields'][N]> }
  >;
}[K];
export type OutputWhat = OutputWhatOf<OutputKind>;

/** What all have in common. What is wanted of one kind never meets another's: they go by its kind. */
type AnyExpectation = OutputExpectation<OutputKind, Record<string, z.ZodType>, { lane: string }>;
const byKind = byOutputKind(outputExpectations) as unknown as ReadonlyMap<OutputKind, AnyExpectation>;
const expectationOf = (kind: OutputKind): AnyExpectation => byKind.get(kind)!;

export const isOutputWhat = <W extends { kind: string }>(what: W): what is Extract<W, OutputWhat> =>
  byKind.has(what.kind as OutputKind);

/** Lanes that anything expected of outputs is read off. */
export const expectedLanes = outputExpectations.flatMap(({ lanes }) => [...lanes]);

/** What can be expected of an output: of its own kind, and of what it has in common with others. */
export const expectedKinds = ({ kind }: Pick<Output, 'kind'>): OutputKind[] => [
  kind,
  ...[...byKind.values()].flatMap((one) => (one.also?.includes(kind) ? [one.kind] : [])),
];

export const valueBefore = (what: OutputWhat, output: Output): string | number =>
  expectationOf(what.kind).before(output);

/** What an entry of that output makes of what is expected; undefined: nothing. */
export function valueBy(what: OutputWhat, entry: TraceEntry): string | number | undefined {
  const { lanes, value } = expectationOf(what.kind);
  return lanes.includes(entry.lane) ? value(entry, what as never) : undefined;
}

/** What an entry of an output shows, as something to expect that it fulfils; null: nothing that can be. */
export function seenBy(output: Output, entry: TraceEntry): OutputWhat | null {
  const kind = expectedKinds(output).find((one) => expectationOf(one).lanes.includes(entry.lane));
  if (kind === undefined) return null;
  const { lanes, seen, value, holds } = expectationOf(kind);
  const wanted = lanes.includes(entry.lane) ? seen(entry) : null;
  const came = wanted ? value(entry, wanted) : undefined;
  if (!wanted || came === undefined || !holds(wanted, came)) return null;
  return { kind, outputId: output.id, ...wanted } as OutputWhat;
}

export const outputHolds = (what: OutputWhat, value: string | number): boolean =>
  expectationOf(what.kind).holds(what as never, value);
