import type { OrderOf, PageNow } from '../flow/index.ts';
import type { Job } from './job.ts';
import type { ActionKindOf, Gadget, OutputActionOf, OutputKind, OutputOf } from '../gadget/index.ts';

/** An entry of the trace with its time and its output. */
export type Placed<E> = E extends { lane: infer L }
  ? { atUs: number; lane: L; id: string } & Omit<E, 'lane'>
  : never;

/** What an order, or the action behind it, does to what stays on until it is let go. */
export interface Holding {
  /** What is on: a key of a computer, or notes of a channel; null: all there is. */
  what: string | null;
  /** Which of it; null: all of it. */
  which: number | null;
  how: 'begins' | 'ends';
}

/** Where an output is told something: which one, when, and how it is seen and waited for. */
export interface Stage<K extends OutputKind, E, W, P> {
  readonly id: string;
  readonly output: OutputOf<K>;
  readonly prepared: P;
  readonly nowUs: number;
  /** Writes an entry of the trace, in this order: time, lane, output, what the kind says. */
  trace(entry: Placed<E>): void;
  /** Comes back as `due`, so long after now. */
  plan(afterUs: number, what: W): void;
  /** What a page of its own comes to now, and what lies over it; null: no page. */
  page(pageId: string | null): PageNow;
  /** What the gadget's sounders do now, in the order of the document: of each its pitch, Hz, 0: silent, and its loudness, %. */
  sounds(): readonly number[];
}

/**
 * What a kind of output is while the gadget runs. State and what waits are plain JSON and never written to; whatever
 * is shown, forgotten, compared or loaded goes through here, so that no reader knows a kind by name.
 */
export interface OutputDefinition<
  K extends OutputKind,
  S extends { readonly kind: K },
  E extends { readonly lane: string },
  W,
  P,
> {
  readonly kind: K;
  /** What is looked up of the document once, before it runs. */
  prepare(output: OutputOf<K>, gadget: Gadget): P;
  /** As it is before anything was told: dark, blank, silent. */
  dark(output: OutputOf<K>, gadget: Gadget): S;
  /** What becomes of it when it is told something; the same state where nothing changes. */
  apply(state: S, order: OrderOf<ActionKindOf<K>>, stage: Stage<K, E, W, P>): S;
  /**
   * What the loop has to do for it after an order, or upkeep, that made it another. Orders of one moment are one work.
   */
  jobs(was: S, is: S, stage: Stage<K, E, W, P>): readonly Job[];
  /** What it planned has come. */
  due(state: S, what: W, stage: Stage<K, E, W, P>): S;
  /** Whether something else has come since, so that nothing will happen when what it planned comes. */
  isVoid(state: S, what: W): boolean;
  /** What the loop sees to by itself, turn by turn; null: nothing. */
  readonly upkeep: {
    /** Whether there is any for one like this. */
    wanted(prepared: P): boolean;
    /** The first turn at or after that moment sees to it; null: none, until something is told. */
    dueUs(state: S, prepared: P): number | null;
    /** A turn has come by. */
    done(state: S, stage: Stage<K, E, W, P>): S;
  } | null;
  /** Somebody has touched a control, and the loop has seen it; without: that is nothing to it by itself. */
  touched?(state: S, stage: Stage<K, E, W, P>): S;
  /** The loop has heard a message that came in by MIDI; without: that is nothing to it by itself. */
  heard?(state: S, bytes: readonly number[], stage: Stage<K, E, W, P>): S;
  /** Something has happened in the gadget that it may show by itself; null: it shows what it is told. */
  readonly stirred: ((state: S) => S) | null;
  /** What it sounds: its pitch, Hz, 0: silent, and how loud that is, %; without: it is no sounder of the chip. */
  sounds?(state: S): readonly [hz: number, percent: number];
  /** Whether it shows what sounds; without: it does not. */
  showsSound?(output: OutputOf<K>, gadget: Gadget): boolean;
  /** The power goes: tells what can be seen or heard of that. */
  powerOff(state: S, stage: Stage<K, E, W, P>): void;
  /** An edit: what is kept of it, for the output as it is now. @param dark that one, not told anything */
  adopt(was: S, dark: S, gadget: Gadget): S;
  /** Everything that it remembers of time comes so much later. */
  later(state: S, byUs: number): S;
  /** Whether the supply gives way under it. */
  loads(state: S): boolean;
  /** What of it can flash in somebody's eyes; null: nothing. */
  readonly lit: {
    /** Whether each place is lit; one that has no places is place 0. */
    now(state: S, nowUs: number): boolean[];
    /** What an entry of its trace makes of places. */
    by(entry: E): (readonly [place: number, lit: boolean])[];
  } | null;
  /** What of it stays on until it is let go, for whoever asks whether it always is; null: nothing. */
  readonly held: {
    /** @param said an order, or an action, whose expressions are text yet */
    by(said: OrderOf<ActionKindOf<K>> | OutputActionOf<ActionKindOf<K>>): Holding | null;
    now(state: S, what: string): boolean;
    /** By action: its fields that say what of it; all of them, where it is not named. */
    readonly names?: Readonly<Record<string, readonly string[]>>;
  } | null;
  /** What somebody can tell it by, as JSON; at rest, not as it moves. */
  look(state: S): unknown;
}

/** Checks a definition, and keeps what it says of its state, entries and what waits. */
export const defineOutput = <
  K extends OutputKind,
  S extends { readonly kind: K },
  E extends { readonly lane: string },
  W,
  P,
>(
  definition: OutputDefinition<K, S, E, W, P>,
): OutputDefinition<K, S, E, W, P> => definition;

/** For kinds that plan nothing, and need no upkeep. */
export const plansNothing = {
  upkeep: null,
  stirred: null,
  due: <S>(state: S): S => state,
  isVoid: () => true,
};
