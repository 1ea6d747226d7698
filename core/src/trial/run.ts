import { compileExpression, ExpressionError, scopeOf, type Code } from '../flow/index.ts';
import type { Gadget } from '../gadget/index.ts';
import type { Standstill } from '../kernel/index.ts';
import { Machine, wholeGadget, type Lane, type TraceEntry } from '../machine/index.ts';
import { compares } from '../output/index.ts';
import { courseOf, type Course } from './course.ts';
import type { Expectation, Trial } from './trial.schema.ts';
import { expectedLanes, isOutputWhat, outputHolds } from './whatOutput.ts';

export interface ExpectationResult {
  id: string;
  /** null: the run was stopped before this could be told. */
  passed: boolean | null;
  /** What was there: at the moment, or in turn during the window (at most 12). null: the gadget has no such thing. */
  came: (string | number)[] | null;
  /** When it first held, if it did. */
  heldAtUs: number | null;
}

/** What a run came up against. */
export type TrialLimit = 'time' | 'memory' | 'entries' | 'work';

export interface TrialResult {
  /** null: the run was stopped, and neither passes nor fails. */
  passed: boolean | null;
  /** At which moment of the gadget a run was stopped that was too dear, and by what. Older results do not say. */
  stopped?: { atUs: number; by: TrialLimit } | null;
  /** Why the gadget stood still in it, if it did. */
  still?: Standstill | null;
  expectations: ExpectationResult[];
  /** Presses of the script that never came through, and those that were answered more than once. */
  swallowed: number;
  extra: number;
  /** Controls of the script that this gadget does not have. */
  missingControls: string[];
}

const listed = 12;

function holds(what: Expectation['what'], value: string | number): boolean {
  if (isOutputWhat(what)) return outputHolds(what, value);
  switch (what.kind) {
    case 'state':
      return value === what.stateId;
    case 'variable':
      return compares(value, what.comparison, what.value);
    case 'condition':
      return (value !== 0) === what.is;
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

/** The closed span that an expectation speaks of. */
const spanOf = ({ when }: Expectation): [number, number] =>
  when.kind === 'at' ? [when.atUs, when.atUs] : [when.fromUs, when.toUs];

function judge(course: readonly Course[] | null, expectation: Expectation): ExpectationResult {
  const { id, what } = expectation;
  if (course === null) return { id, passed: false, came: null, heldAtUs: null };
  const [fromUs, toUs] = spanOf(expectation);
  const stood = during(course, fromUs, toUs);
  const held = stood.find(({ value }) => holds(what, value));
  const came = stood.slice(0, listed).map(({ value }) => value);
  return { id, passed: held !== undefined, came, heldAtUs: held?.atUs ?? null };
}

/** A condition that is watched while the run goes on. */
interface Condition {
  id: string;
  /** null: this gadget does not have what it speaks of. */
  code: Code | null;
  fromUs: number;
  toUs: number;
  course: Course[];
}

function conditionOf(gadget: Gadget, expectation: Expectation): Condition[] {
  const { id, what } = expectation;
  if (what.kind !== 'condition') return [];
  const [fromUs, toUs] = spanOf(expectation);
  const condition: Condition = { id, code: null, fromUs, toUs, course: [] };
  try {
    return [{ ...condition, code: compileExpression(what.text, scopeOf(gadget), null) }];
  } catch (error) {
    if (!(error instanceof ExpressionError)) throw error;
    return [condition];
  }
}

/** Lanes that expectations and counts look at: all else is played, and not kept. */
const judged: ReadonlySet<Lane> = new Set<Lane>([
  'state',
  'variable',
  'swallowed',
  'clean',
  ...expectedLanes,
]);
/** Entries kept of a run: some hundred megabytes. */
const mostEntries = 1_000_000;
/** What a run may cost on the whole, in the kernel's parts: about ten minutes. */
const mostWork = 75_000_000_000;

/** One run of a trial, which can be played piece by piece. */
export class TrialRun {
  private readonly machine: Machine;
  private readonly trace: TraceEntry[] = [];
  private stopped: { atUs: number; by: TrialLimit } | null = null;
  private readonly conditions: readonly Condition[];

  /** @param also lanes that are kept for somebody who looks at them, besides those that are judged; or all */
  constructor(
    private readonly gadget: Gadget,
    private readonly trial: Trial,
    private readonly also: ReadonlySet<Lane> | 'all',
  ) {
    this.machine = new Machine(gadget, trial.seed);
    for (const stimulus of trial.stimuli) this.machine.stimulate(stimulus);
    this.conditions = trial.expectations.flatMap((one) => conditionOf(gadget, one));
  }

  /** How far it has come, µs of the gadget's time. */
  get atUs(): number {
    return this.machine.nowUs;
  }

  /** Goes on for so much work. @returns whether it is over */
  advance(parts: number): boolean {
    const { machine, trace } = this;
    const over = this.play(parts);
    for (const entry of machine.takeTrace()) if (this.keeps(entry.lane)) trace.push(entry);
    if (over) return true;
    if (trace.length > mostEntries) this.stop('entries');
    else if (machine.work > mostWork) this.stop('work');
    return this.stopped !== null;
  }

  /** To the end, or for so much work; conditions are looked at whenever something happens in their spans. */
  private play(parts: number): boolean {
    const { machine, trial, conditions } = this;
    const mostWork = machine.work + parts;
    for (;;) {
      const { nowUs } = machine;
      for (const { code, course, fromUs, toUs } of conditions) {
        if (!code || nowUs < fromUs || nowUs > toUs) continue;
        const value = machine.evaluate(code);
        if (course.at(-1)?.value !== value) course.push({ atUs: nowUs, value });
      }
      if (nowUs >= trial.endUs) return true;
      const untilUs = conditions.reduce((least, { fromUs, toUs }) => {
        if (nowUs < fromUs) return Math.min(least, fromUs);
        return nowUs < toUs ? Math.min(least, toUs, Math.max(nowUs + 1, machine.nextUs ?? toUs)) : least;
      }, trial.endUs);
      if (!machine.advance(untilUs, mostWork - machine.work)) return false;
    }
  }

  private courseOf({ id, what }: Expectation): readonly Course[] | null {
    if (what.kind !== 'condition') return courseOf(this.gadget, this.trace, what);
    const condition = this.conditions.find((one) => one.id === id);
    return condition?.code ? condition.course : null;
  }

  private keeps(lane: Lane): boolean {
    return judged.has(lane) || this.also === 'all' || this.also.has(lane);
  }

  stop(by: TrialLimit): void {
    this.stopped = { atUs: this.machine.nowUs, by };
  }

  /** What it has come to so far. */
  get outcome(): { result: TrialResult; trace: TraceEntry[] } {
    const { gadget, trial, trace, stopped } = this;
    const knownUs = stopped ? stopped.atUs : trial.endUs;
    const expectations = trial.expectations.map((expectation): ExpectationResult => {
      const { when, id } = expectation;
      const soon = (when.kind === 'at' ? when.atUs : when.toUs) < knownUs;
      return !stopped || soon
        ? judge(this.courseOf(expectation), expectation)
        : { id, passed: null, came: null, heldAtUs: null };
    });
    const known = new Set([wholeGadget, ...[...gadget.controls, ...gadget.outputs].map(({ id }) => id)]);
    const missingControls = [...new Set(trial.stimuli.map(({ controlId }) => controlId))].filter(
      (id) => !known.has(id),
    );
    const passed = missingControls.length === 0 && expectations.every((one) => one.passed === true);
    return {
      trace,
      result: {
        passed: stopped ? null : passed,
        stopped,
        still: this.machine.still,
        expectations,
        swallowed: trace.filter(({ lane }) => lane === 'swallowed').length,
        extra: trace.filter((entry) => entry.lane === 'clean' && entry.extra).length,
        missingControls,
      },
    };
  }
}

/** So much is played between two looks at the limits, in the kernel's parts. */
const piece = 5_000_000;

/**
 * Plays a trial on a gadget and judges every expectation. Pure: the same trial on the same gadget ends the same. One
 * that is too dear is stopped, and says so.
 */
export function runTrial(gadget: Gadget, trial: Trial): { result: TrialResult; trace: TraceEntry[] } {
  const run = new TrialRun(gadget, trial, 'all');
  while (!run.advance(piece));
  return run.outcome;
}
