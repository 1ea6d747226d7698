import type { LightMode } from '../gadget/index.ts';
import type { Mishap } from './evaluate.ts';
import type { OutputOrder } from './orders.ts';
import type { FlowTables } from './tables.ts';

/** Something that comes by itself: a rule's own timer, a named one, a signal on its way, or time to save. */
export interface FlowTimer {
  what: 'rule' | 'timer' | 'signal' | 'save';
  /** Of the rule, timer, signal or variable. */
  number: number;
  dueUs: number;
  /** Of a named timer: its period; 0: once. */
  everyUs: number;
}

/** Where the flow stands. Plain JSON. */
export interface FlowState {
  /** By state number: 1 while it is active. */
  active: number[];
  /** The active states that have no others in them, in the order of the document. */
  atoms: number[];
  /** By slot. */
  values: number[];
  /** The next one first; among equals, the one that began first. */
  timers: FlowTimer[];
  /** By state number: what a history state remembers; null: nothing yet, or none. */
  history: (number[] | null)[];
  /** By state number: when it was last entered. */
  enteredUs: number[];
  /** How many random numbers were drawn. */
  draws: number;
  /** A final state on the outermost floor was entered: nothing is heard any more. */
  ended: boolean;
  /** By slot: what is written down of saved variables. */
  saved: number[];
  /** Times that something was written down. */
  writes: number;
  /** By number of the control: the layer that it was pressed in; -1: none. Empty without layers. */
  pressedIn: number[];
}

/** A light as it can be told to be: as the document says, or at a level that was worked out. */
export type LightOrder = LightMode | { mode: 'level'; levelPercent: number };

/** What the flow wants done, `offsetUs` after the step began; later than 0 only behind a blocking wait. */
export type Effect = { offsetUs: number } & (
  | { kind: 'rule'; ruleId: string; stateId: string }
  | { kind: 'state'; stateId: string }
  | { kind: 'ended' }
  | { kind: 'signal'; signalId: string }
  | { kind: 'variable'; variableId: string; index: number | null; value: number | string }
  | { kind: 'output'; outputId: string; order: OutputOrder }
  | { kind: 'saved' }
  | { kind: 'mishap'; mishap: Mishap; stateId: string | null }
);

/** What a step did. */
export interface FlowStep {
  effects: Effect[];
  /** How long the loop stands still, µs. */
  blockedUs: number;
}

/** Nothing is active yet. @param saved what was written down before power went, by slot; null: nothing ever was */
export function freshFlow(tables: FlowTables, saved: readonly number[] | null): FlowState {
  const states = tables.stateIds.length;
  const values = [...tables.initialValues];
  if (saved)
    tables.keeps.forEach((keeps, variable) => {
      const from = tables.slot[variable]!;
      if (keeps > 0)
        for (let slot = from; slot < from + tables.size[variable]!; slot += 1)
          values[slot] = saved[slot] ?? values[slot]!;
    });
  return {
    active: Array<number>(states).fill(0),
    atoms: [],
    values,
    timers: [],
    history: Array<null>(states).fill(null),
    enteredUs: Array<number>(states).fill(0),
    draws: 0,
    ended: false,
    saved: [...values],
    writes: 0,
    pressedIn: tables.layers.length > 0 ? Array<number>(tables.controls).fill(-1) : [],
  };
}

/** Ids of the active states, in the order of the document. */
export const activeIds = ({ stateIds }: FlowTables, { active }: Pick<FlowState, 'active'>): string[] =>
  stateIds.filter((_, state) => active[state] === 1);
