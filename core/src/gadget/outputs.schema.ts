import * as z from 'zod';
import { outputDocuments } from './outputDocuments.ts';
import {
  actionSchemaOf,
  type Field,
  type Fields,
  type PartFigures,
  type Reaches,
  type Said,
} from './outputDocument.ts';

type Document = (typeof outputDocuments)[number];
type Together<U> = (U extends unknown ? (one: U) => void : never) extends (all: infer I) => void ? I : never;
type Flat<T> = { [N in keyof T]: T[N] };

export type OutputKind = Document['kind'];
/** What each action of an output says, by the action's kind. */
export type OutputFields = Flat<Together<Document['actions']>>;
export type OutputActionKind = keyof OutputFields;

export type Output = { [D in Document as D['kind']]: z.infer<D['schema']> }[OutputKind];
export type OutputOf<K extends OutputKind> = Extract<Output, { kind: K }>;
export type OutputActionOf<N extends OutputActionKind> = {
  [K in N]: Flat<{ kind: K; outputId: string } & Said<OutputFields[K]>>;
}[N];
export type OutputAction = OutputActionOf<OutputActionKind>;

const all: Record<string, Fields> = Object.assign({}, ...outputDocuments.map(({ actions }) => actions));
const told = new Map(Object.entries(all));

/** Each with its name, in the order in which they are worked out. */
export const fieldList = (kind: OutputActionKind): [name: string, field: Field][] =>
  Object.entries(told.get(kind)!);

/** Whether something is told to an output. */
export const isOutputAction = <A extends { kind: string }>(action: A): action is Extract<A, OutputAction> =>
  told.has(action.kind);

const onPages: ReadonlySet<string> = new Set(outputDocuments.flatMap((one) => one.onPages));
/** Whether it stands on a page and draws it, and cannot be told in passing. */
export const isElement = ({ kind }: { kind: string }): boolean => onPages.has(kind);
/** Whether outputs of that kind show pages. */
export const showsPages = (kind: OutputKind): boolean => documents.get(kind)!.onPages.length > 0;

/** Kinds of output that know an action. */
export const kindsTold = (kind: string): readonly OutputKind[] => knowing.get(kind) ?? [];
const knowing = new Map(
  Object.keys(all).map((kind) => [
    kind,
    outputDocuments.flatMap((one) => (kind in one.actions ? [one.kind] : [])),
  ]),
);

export const outputSchema = z.discriminatedUnion(
  'kind',
  outputDocuments.map(({ schema }) => schema) as unknown as [z.core.$ZodTypeDiscriminable],
) as unknown as z.ZodType<Output>;

export const outputActionSchemas = [...told].map(([kind, fields]) => actionSchemaOf(kind, fields));

/** A list with a member for every kind of output, by kind. One that leaves a kind out does not compile. */
export const byOutputKind = <const L extends readonly { kind: OutputKind }[]>(
  list: L & ([Exclude<OutputKind, L[number]['kind']>] extends [never] ? unknown : never),
): ReadonlyMap<OutputKind, L[number]> => new Map(list.map((one) => [one.kind, one]));

/** What outputs of that kind can be told. */
export type ActionKindOf<K extends OutputKind> = K extends OutputKind
  ? keyof Extract<Document, { kind: K }>['actions'] & OutputActionKind
  : never;

const documents = byOutputKind(outputDocuments);

/** An output as it comes out of the drawer, without id and name. @param part figures of the part that plays it */
export const freshOutput = (kind: OutputKind, part: PartFigures): Omit<Output, 'id' | 'name'> =>
  ({ kind, ...documents.get(kind)!.fresh(part) }) as Omit<Output, 'id' | 'name'>;

/** What takes up an action: eyes, ears, something that moves, another machine. */
export const reachOf = ({ kind }: OutputAction): Reaches => documents.get(kindsTold(kind)[0]!)!.reaches;

/** What all documents say of their actions; of one kind, they only meet its own. */
interface Sayings {
  leaves?(action: OutputAction): 'lit' | 'dark' | null;
  flashingCentiHz?(action: OutputAction): number;
  calmed?(action: OutputAction, centiHz: number): OutputAction;
}
const sayingsOf = ({ kind }: OutputAction) => documents.get(kindsTold(kind)[0]!) as Sayings;

/** Whether an action leaves its output lit or dark, as far as that is known before it runs. */
export const leftBy = (action: OutputAction): 'lit' | 'dark' | null =>
  sayingsOf(action).leaves?.(action) ?? null;
/** How often it flashes by itself, in hundredths of a hertz; 0: it does not. */
export const flashingCentiHz = (action: OutputAction): number =>
  sayingsOf(action).flashingCentiHz?.(action) ?? 0;
/** The same, flashing only so often. @param action that flashes */
export const calmed = (action: OutputAction, centiHz: number): OutputAction =>
  sayingsOf(action).calmed?.(action, centiHz) ?? action;

/** What an output takes over from its part's figures whenever those change. */
export function followed(kind: OutputKind, part: PartFigures): Partial<Output> {
  const { fresh, follows } = documents.get(kind)!;
  const all = fresh(part) as Record<string, unknown>;
  return Object.fromEntries(follows(part).map((name) => [name, all[name]]));
}
