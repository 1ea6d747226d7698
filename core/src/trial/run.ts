import type { Gadget } from '../gadget/index.ts';
import { replay, wholeGadget, type TraceEntry } from '../machine/index.ts';
import { courseOf, type Course } from './course.ts';
import type { Comparison, Expectation, Trial } from './trial.schema.ts';

export interface ExpectationResult {
  id: string;
  passed: boolean;
  /** What was there: at the moment, or in turn during the window (at most 12). null: the gadget has no such thing. */
  came: (string | number)[] | null;
  /** When it first held, if it did. */
  heldAtUs: number | null;
}

export interface TrialResult {
  passed: boolean;
  expectations: ExpectationResult[];
  /** Presses of the script that never came through, and those that were answered more than once. */
  swallowed: number;
  extra: number;
  /** Controls of the script that this gadget does not have. */
  missingControls: string[];
}

const listed = 12;

const compare: Record<Comparison, (a: number, b: number) => boolean> = {
  '=': (a, b) => a === b,
  '≠': (a, b) => a !== b,
  '<': (a, b) => a < b,
  '≤': (a, b) => a <= b,
  '>': (a, b) => a > b,
  '≥': (a, b) => a >= b,
};

function holds(what: Expectation['what'], value: string | number): boolean {
  switch (what.kind) {
    case 'state':
      return value === what.stateId;
    case 'light':
      return value === what.mode;
    case 'text':
      return what.text === '' ? String(value).trim() === '' : String(value).includes(what.text);
    case 'tone':
      return compare[what.comparison](Number(value), what.hz);
    case 'variable':
      return compare[what.comparison](Number(value), what.value);
  }
}

/**
 * What stood at `fromUs` and what came after it up to `toUs`, each change once. Values replaced at the same moment
 * never stood.
 */
function during(course: readonly Course[], fromUs: number, toUs: number): Course[] {
  const stood = course
    .filter(({ atUs }, index) => course[index + 1]?.atUs !== atUs && atUs <= toUs)
    .filter(({ value }, index, all) => all[index - 1]?.value !== value);
  const before = stood.findLastIndex(({ atUs }) => atUs <= fromUs);
  return stood.slice(Math.max(0, before)).map(({ atUs, value }) => ({ atUs: Math.max(atUs, fromUs), value }));
}

function judge(
  gadget: Gadget,
  trace: readonly TraceEntry[],
  { id, what, when }: Expectation,
): ExpectationResult {
  const course = courseOf(gadget, trace, what);
  if (course === null) return { id, passed: false, came: null, heldAtUs: null };
  const [fromUs, toUs] = when.kind === 'at' ? [when.atUs, when.atUs] : [when.fromUs, when.toUs];
  const stood = during(course, fromUs, toUs);
  const held = stood.find(({ value }) => holds(what, value));
  const came = stood.slice(0, listed).map(({ value }) => value);
  return { id, passed: held !== undefined, came, heldAtUs: held?.atUs ?? null };
}

/** Plays a trial on a gadget and judges every expectation. Pure: the same trial on the same gadget ends the same. */
export function runTrial(gadget: Gadget, trial: Trial): { result: TrialResult; trace: TraceEntry[] } {
  const trace = replay(gadget, trial.stimuli, trial.endUs, trial.seed);
  const expectations = trial.expectations.map((expectation) => judge(gadget, trace, expectation));
  const known = new Set([wholeGadget, ...gadget.controls.map(({ id }) => id)]);
  const missingControls = [...new Set(trial.stimuli.map(({ controlId }) => controlId))].filter(
    (id) => !known.has(id),
  );
  return {
    trace,
    result: {
      passed: missingControls.length === 0 && expectations.every(({ passed }) => passed),
      expectations,
      swallowed: trace.filter(({ lane }) => lane === 'swallowed').length,
      extra: trace.filter((entry) => entry.lane === 'clean' && entry.extra).length,
      missingControls,
    },
  };
}
