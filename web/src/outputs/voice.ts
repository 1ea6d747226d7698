import type {
  EntryOf,
  Gadget,
  OutputKind,
  OutputLane,
  OutputOf,
  OutputStateOf,
  Voice,
} from '@hum-lever/core';

/** What an output sounds like, followed by its entries of the trace: each says when. */
export interface Ear<K extends OutputKind, L extends OutputLane, S> {
  /** The lane in which it is heard. */
  lane: L;
  /** Before anything was heard of it. */
  begin(output: OutputOf<K>, gadget: Gadget): S;
  /** As it sounds in a state, whatever was heard before. */
  at(was: S, state: OutputStateOf<K>): S;
  hear(was: S, entry: EntryOf<L>): S;
  /** Its voices, by a key of each; what goes on has the same key. */
  voices(is: S): Readonly<Record<string, Voice>>;
}

/** An ear whose state is typed where it is made; whoever listens need not know. */
export type AnyEar = Ear<OutputKind, OutputLane, unknown>;
export const ear = <K extends OutputKind, L extends OutputLane, S>(made: Ear<K, L, S>): AnyEar =>
  made as unknown as AnyEar;
