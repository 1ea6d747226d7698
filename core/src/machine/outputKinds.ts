import type { OutputOrder } from '../flow/index.ts';
import {
  byOutputKind,
  kindsTold,
  type Gadget,
  type Output,
  type OutputAction,
  type OutputKind,
} from '../gadget/index.ts';
import type { Holding, OutputDefinition, Stage } from '../output/index.ts';
import { outputList } from './outputRegistry.ts';

type Listed = (typeof outputList)[number];
type StateIn<D> = D extends { dark(output: never, gadget: Gadget): infer S } ? S : never;
type StageOf<D> = D extends { powerOff(state: never, stage: infer T): void } ? T : never;
type EntryIn<T> = T extends { trace(entry: infer E): void } ? E : never;

/** What one output is just now; of which kind, it says. */
export type OutputState = StateIn<Listed>;
export type OutputStateOf<K extends OutputKind> = Extract<OutputState, { kind: K }>;
/** Entries that outputs write to the trace. */
export type OutputEntry = EntryIn<StageOf<Listed>>;
export type OutputLane = OutputEntry['lane'];

/** What all definitions have in common. State, order and plan of one kind never meet another's: they go by its state. */
type AnyDefinition = OutputDefinition<OutputKind, OutputState, { lane: string }, unknown, unknown>;
export type AnyStage = Stage<OutputKind, { lane: string }, unknown, unknown>;
const byKind = byOutputKind(outputList) as unknown as ReadonlyMap<OutputKind, AnyDefinition>;
const definitionOf = (kind: OutputKind): AnyDefinition => byKind.get(kind)!;

/** An output made ready to run. */
export interface CompiledOutput {
  output: Output;
  definition: AnyDefinition;
  prepared: unknown;
}

/** All outputs of a gadget by id, in the order of the document. */
export const compileOutputs = (gadget: Gadget): ReadonlyMap<string, CompiledOutput> =>
  new Map(
    gadget.outputs.map((output) => {
      const definition = definitionOf(output.kind);
      return [output.id, { output, definition, prepared: definition.prepare(output as never, gadget) }];
    }),
  );

/** An output that the loop sees to by itself. */
export interface KeptUp {
  output: Output;
  upkeep: NonNullable<AnyDefinition['upkeep']>;
  prepared: unknown;
}

export const keptUp = (outputs: Iterable<CompiledOutput>): readonly KeptUp[] =>
  [...outputs].flatMap(({ output, definition: { upkeep }, prepared }) =>
    upkeep?.wanted(prepared) ? [{ output, upkeep, prepared }] : [],
  );

/** An output that shows by itself what happens in the gadget. */
export interface Stirred {
  id: string;
  stirred: NonNullable<AnyDefinition['stirred']>;
}

export const stirredOf = (outputs: Iterable<CompiledOutput>): readonly Stirred[] =>
  [...outputs].flatMap(({ output: { id }, definition: { stirred, upkeep }, prepared }) =>
    stirred && upkeep?.wanted(prepared) ? [{ id, stirred }] : [],
  );

/** Those of them that show what sounds. */
export const stirredBySound = (
  stirred: readonly Stirred[],
  outputs: ReadonlyMap<string, CompiledOutput>,
  gadget: Gadget,
): readonly Stirred[] =>
  stirred.filter(({ id }) => {
    const { definition, output } = outputs.get(id)!;
    return definition.showsSound?.(output as never, gadget) ?? false;
  });

/** Sounders of the chip, in the order of the document. */
export interface Sounding {
  id: string;
  sounds: NonNullable<AnyDefinition['sounds']>;
}
export const soundingOf = (outputs: Iterable<CompiledOutput>): readonly Sounding[] =>
  [...outputs].flatMap(({ output: { id }, definition: { sounds } }) => (sounds ? [{ id, sounds }] : []));

/** Ids of those to which it is something that a control is touched. */
export const touchedOf = (outputs: Iterable<CompiledOutput>): readonly string[] =>
  [...outputs].flatMap(({ output: { id }, definition: { touched, upkeep }, prepared }) =>
    touched && upkeep?.wanted(prepared) ? [id] : [],
  );

/** Ids of those to which it is something that a message comes in by MIDI. */
export const hearingOf = (outputs: Iterable<CompiledOutput>): readonly string[] =>
  [...outputs].flatMap(({ output: { id }, definition: { heard } }) => (heard ? [id] : []));

/** As it is before anything was told. */
export const darkOutput = (output: Output, gadget: Gadget): OutputState =>
  definitionOf(output.kind).dark(output as never, gadget);

/** Whether what it planned is void by now. */
export const isVoidPlan = (state: OutputState, what: unknown): boolean =>
  definitionOf(state.kind).isVoid(state, what);

/** An edit: what is kept. @param was undefined, or of another kind: nothing */
export const adoptOutput = (was: OutputState | undefined, dark: OutputState, gadget: Gadget): OutputState =>
  was?.kind === dark.kind ? definitionOf(dark.kind).adopt(was, dark, gadget) : dark;

export const laterOutput = (state: OutputState, byUs: number): OutputState =>
  definitionOf(state.kind).later(state, byUs);

/** Whether the supply gives way under any of them. */
export const loadSupply = (states: Readonly<Record<string, OutputState>>): boolean => {
  for (const id in states) if (definitionOf(states[id]!.kind).loads(states[id]!)) return true;
  return false;
};

/** Which places of each output are lit, by id; only of those that can flash in somebody's eyes. */
export const litPlaces = (
  states: Readonly<Record<string, OutputState>>,
  nowUs: number,
): Record<string, boolean[]> =>
  Object.fromEntries(
    Object.entries(states).flatMap(([id, one]) => {
      const { lit } = definitionOf(one.kind);
      return lit ? [[id, lit.now(one, nowUs)]] : [];
    }),
  );

/** What an entry of an output makes of its places. @param kind of that output */
export const litBy = (
  kind: OutputKind,
  entry: { lane: string },
): (readonly [place: number, lit: boolean])[] => {
  const { lit } = definitionOf(kind);
  return lit ? lit.by(entry) : [];
};

/** What an order, or the action behind it, does to what stays on until it is let go; null: nothing. */
export const holdingBy = (said: OutputOrder | OutputAction): Holding | null => {
  const [kind] = kindsTold(said.kind);
  return (kind && definitionOf(kind).held?.by(said as never)) ?? null;
};
/** Fields of such an action that say what of it is begun or ended; null: all of them may. */
export const namesHeld = (action: OutputAction['kind']): readonly string[] | null => {
  const [kind] = kindsTold(action);
  return (kind && definitionOf(kind).held?.names?.[action]) ?? null;
};
/** Whether any of that is on now. */
export const isHeldNow = (state: OutputState, what: string): boolean =>
  definitionOf(state.kind).held?.now(state, what) ?? false;

/** What somebody can tell each of them by, by id; JSON. */
export const looksOf = (states: Readonly<Record<string, OutputState>>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(states).map(([id, one]) => [id, definitionOf(one.kind).look(one)]));
