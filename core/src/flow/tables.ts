import type { LightMode, Place } from '../gadget/index.ts';
import type { Code } from './expression.ts';
import type { Template } from './template.ts';

/** One thing to do, with everything looked up. */
export type CompiledAction =
  | { kind: 'set'; slot: number; value: Code }
  | { kind: 'light'; outputId: string; light: LightMode }
  | { kind: 'text'; outputId: string; row: number; text: Template }
  | { kind: 'tone'; outputId: string; hz: Code; lengthUs: number }
  | { kind: 'silence'; outputId: string }
  | { kind: 'wait'; lengthUs: number };

/**
 * The flow as flat tables: what is played, explored and shipped. Rules of a state stand together in document order;
 * state s owns rules [firstRule[s], firstRule[s + 1]).
 */
export interface FlowTables {
  initial: number;
  stateIds: string[];
  firstRule: number[];
  entry: CompiledAction[][];
  exit: CompiledAction[][];
  ruleIds: string[];
  /** Number of `eventCodes`, or -1 for a timer. */
  ruleEvent: number[];
  /** Delay of a timer rule in µs, else 0. */
  ruleDelayUs: number[];
  /** null: no guard. */
  ruleGuard: (Code | null)[];
  ruleActions: CompiledAction[][];
  /** State number, or -1: stay. */
  ruleTarget: number[];
  variableIds: string[];
  initialValues: number[];
  low: number[];
  high: number[];
}

/** A place whose text cannot be read; the rule then never fires, the action does nothing. */
export interface FlowProblem {
  place: Place;
  text: string;
  message: string;
}
