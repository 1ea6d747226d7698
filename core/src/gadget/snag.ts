import type { Edit } from './edits/index.ts';
import type { Gadget } from './gadget.schema.ts';
import type { Place } from './place.ts';

/** stop: it cannot work. likely: it will bite most makers. note: a trade worth knowing. */
export type SnagLevel = 'stop' | 'likely' | 'note';

/** What hands do until it is so: a script of the machine, with the seed that it was found with. */
export interface SnagWay {
  seed: number;
  /** Stimuli of the machine, which this floor does not know. */
  stimuli: readonly unknown[];
  endUs: number;
}

/** A finding as ids and numbers; its words are the web's. */
export interface Snag {
  rule: string;
  level: SnagLevel;
  place: Place;
  /** Figures in base units (names end in Us, PerMille …) and names for people. */
  values: Readonly<Record<string, number | string>>;
  /** One edit that would mend it. */
  mend?: { key: string; edit: Edit; values?: Readonly<Record<string, number | string>> };
  /** How to see it happen. */
  way?: SnagWay;
}

/** Raw level changes of a contact, in µs from the first touch; ordered by time, alternating, first is 1. */
export interface Edge {
  atUs: number;
  level: 0 | 1;
}

/** Counted down by whoever plays. */
export interface Effort {
  left: number;
}

/** What rules may ask that is dear to compute or belongs to another room. */
export interface Derived {
  /** Computes once per check run and key. */
  once<T>(key: string, make: () => T): T;
  /** What playing may still cost in this check run, in the kernel's parts. What it does not reach is left unsaid. */
  effort: Effort;
  /** The gadget plays as it is meant: its buttons listen for all that its rules wait for. */
  asIs: boolean;
  /** `count` presses of that button's own switch, each held for `heldUs`, always the same ones. */
  bouncedPresses(controlId: string, heldUs: number, count: number): readonly (readonly Edge[])[];
}

export interface SnagRule {
  id: string;
  check(gadget: Gadget, derived: Derived): Snag[];
}
