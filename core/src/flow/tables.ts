import type { Place } from '../gadget/index.ts';
import type { Code } from './expression.ts';
import type { KeyEvent } from './events.ts';
import type { CompiledOrder } from './orders.ts';
import type { Template } from './template.ts';

/** How long: whole µs, or an expression in ms. */
export type CompiledLength = number | { ms: Code };

/** One thing to do, with everything looked up. */
export type CompiledAction =
  | { kind: 'set'; slot: number; variable: number; value: Code }
  | { kind: 'setPlace'; variable: number; index: Code; value: Code }
  /** Every place of a list. */
  | { kind: 'fill'; variable: number; value: Code }
  | { kind: 'shift'; variable: number; value: Code }
  /** A text, or behind what it is; `index`: which of several. */
  | { kind: 'write'; variable: number; index: Code | null; text: Template; behind: boolean }
  | { kind: 'shorten'; variable: number; index: Code | null; by: Code }
  /** `output`: the number of an output. */
  | { kind: 'tell'; output: number; order: CompiledOrder }
  | { kind: 'save' }
  | { kind: 'recall' }
  | { kind: 'start'; timer: number; length: CompiledLength; every: boolean }
  | { kind: 'stop'; timer: number }
  | { kind: 'raise'; signal: number; delay: CompiledLength | null }
  | { kind: 'cancel'; signal: number }
  | { kind: 'wait'; lengthUs: number };

export const stateType = {
  atomic: 0,
  compound: 1,
  parallel: 2,
  final: 3,
  history: 4,
  deepHistory: 5,
} as const;
export type StateType = (typeof stateType)[keyof typeof stateType];

/** What a rule's transition leaves: a state whose inside is left, all, nothing; or it depends on history. */
export const domain = { root: -1, none: -2, byHistory: -3 } as const;

/**
 * The flow as flat tables: what is played, explored and shipped. States are numbered in document order, depth first, so
 * that those inside state s are the numbers from s + 1 up to `end[s]`, open. Rules of a state stand together in document
 * order; state s owns rules [firstRule[s], firstRule[s + 1]).
 */
/** A page of a display: what draws it, in order. */
export interface CompiledPage {
  id: string;
  outputId: string;
  /** It lies over the others of its display while this holds; null: it does not. */
  over: Code | null;
  orders: CompiledOrder[];
  /** Where each of them stands on the page: what cannot be read is left out. */
  places: number[];
  /** The same, with the page: no two elements of a gadget have one. */
  keys: string[];
  /** It becomes another as time goes by, and nothing happens. */
  restless: boolean;
}

export interface FlowTables {
  /** Where power-up leads; empty where there is no state. */
  initial: number[];
  stateIds: string[];
  type: StateType[];
  /** -1 on the outermost floor. */
  parent: number[];
  end: number[];
  /** Of a compound state: where entering leads. Of history: where it leads while there is none. */
  begin: number[][];
  beginActions: CompiledAction[][];
  /** Of each state: the history states directly in it. */
  histories: number[][];
  entry: CompiledAction[][];
  exit: CompiledAction[][];
  /** Event told when the state has come to its end. */
  doneEvent: number[];
  firstRule: number[];
  ruleIds: string[];
  ruleOwner: number[];
  /** Number of `eventCodes`, or one of `noEvent`. */
  ruleEvent: number[];
  /** Delay or period of a timed rule. */
  ruleDelay: (CompiledLength | null)[];
  /** The timer of the rule goes on. */
  ruleEvery: boolean[];
  /** null: no guard. */
  ruleGuard: (Code | null)[];
  ruleActions: CompiledAction[][];
  ruleTargets: number[][];
  ruleInternal: boolean[];
  /** A state, or one of `domain`. */
  ruleDomain: number[];
  /** Some rule needs no event. */
  hasAlways: boolean;
  /** No state is parallel: one atomic state is active at a time. */
  sequential: boolean;
  /** Some state is history: where a rule leads may depend on the past. */
  remembers: boolean;
  /** Of each event number, 1 where some rule may hear it. */
  heard: boolean[];
  variableIds: string[];
  /** First slot of each variable, and how many it has. */
  slot: number[];
  size: number[];
  /** Of each variable: numbers in one of its rows. */
  columns: number[];
  /** Of each variable: characters that each of its texts holds; 0: it is none. */
  characters: number[];
  /** By slot. */
  initialValues: number[];
  /** By variable. */
  low: number[];
  high: number[];
  wraps: boolean[];
  /** How it survives power-off: 0 not, 1 with every change, 2 after a quiet time, 3 when asked. */
  keeps: number[];
  quietUs: number[];
  timerIds: string[];
  timerEvent: number[];
  signalIds: string[];
  signalEvent: number[];
  outputIds: string[];
  /** What displays show, in the order of the document. */
  pages: CompiledPage[];
  powerUpEvent: number;
  /** Of gestures of keys in sets: what rules for any key wait for, and the key's number. */
  keyEvents: ReadonlyMap<number, KeyEvent>;
  layers: {
    id: string;
    /** Number of the control that must be held, or -1. */
    held: number;
    condition: Code | null;
    /** By number of the control. */
    keys: ReadonlyMap<number, { press: CompiledAction[]; release: CompiledAction[] }>;
  }[];
  controls: number;
  /** Rules of each state with a timer of their own. */
  timed: number[][];
  /** What stepping has worked out so far: not part of what is shipped. */
  plans: Plans;
}

/** What entering needs: the states, and those of them whose beginning is gone through. */
export interface Entering {
  states: Set<number>;
  begins: Set<number>;
  /** By the state that has it: the history that had nothing to remember, and whose beginning is gone through. */
  blank: Map<number, number>;
  /** What a history state remembers has a say in it: it may be others the next time. */
  byHistory: boolean;
}

/** What one rule that fires alone enters. */
export interface Plan extends Entering {
  /** The states to enter, in order. */
  entered: readonly number[];
}

/** What is always the same when a rule fires alone, worked out once. */
interface Plans {
  /** By rule: what it enters, where no history has a say. */
  entered: (Plan | undefined)[];
  /** Of charts without regions: what is left, by rule for rules of the atomic state, by rule and atom for those around. */
  leftByOwn: (readonly number[] | undefined)[];
  leftByOuter: Map<number, readonly number[]>;
  /** Of rules that need no event; null: not looked at yet. */
  guards: KnownGuards | null;
}

/** What guards gave in the macrostep under way. */
export interface KnownGuards {
  /** By variable: rules whose guards ask for it. */
  asking: number[][];
  /** By rule: the macrostep in which it was worked out; 0: not since something it asks for changed; -1: never kept. */
  since: Float64Array;
  held: Uint8Array;
  macrostep: number;
}

/** A place whose text cannot be read; the rule then never fires, the action does nothing. */
export interface FlowProblem {
  place: Place;
  text: string;
  message: string;
}
