import type { Effort, Gadget, Knob } from '../gadget/index.ts';
import { Machine, type MachineState, type Stimulus, type TraceEntry } from '../machine/index.ts';
import type { Explorer, Step } from './explorer.ts';
import { placeOfStep, type Move } from './moves.ts';

/** A way through the gadget as hands would do it, at real times. */
export interface Script {
  seed: number;
  stimuli: Stimulus[];
  endUs: number;
  /** It was played, and came to where the way leads. */
  confirmed: boolean;
}

/** A hand waits so long before it does the next thing. */
const pauseUs = 60_000;
/** A timer that does not run out within that long never will. */
const longestUs = 600_000_000;
/** Chance falls otherwise with every seed: so many are tried. */
const seedsTried = 40;

/** What playing a way may cost, all seeds together, in the kernel's parts: about four seconds. Ways of usual gadgets take a thousandth. */
const mostWork = 1_000_000_000;

/** Where a run on the machine has come to. */
export type Arrived = (flow: MachineState['flow'], shown: MachineState['shown']) => boolean;

/**
 * Plays a way on the machine itself. Times that were left out in finding it are back: where a timer would run out too
 * early or too late, or chance falls otherwise, it may not come to where the way leads; other seeds are tried then.
 */
export function scriptOf(
  explorer: Explorer,
  steps: readonly Step[],
  arrived: Arrived,
  seeds: number = seedsTried,
  effort: Effort = { left: mostWork },
): Script {
  let first: Script | null = null;
  for (let seed = 1; seed <= seeds; seed += 1) {
    const script = playWay(explorer, steps, arrived, seed, effort);
    if (script.confirmed) return script;
    first ??= script;
    if (effort.left <= 0) break;
  }
  return first!;
}

/** Entries of a run that no step of the way has been seen in yet, oldest first. */
class Watched {
  private entries: TraceEntry[] = [];
  constructor(readonly machine: Machine) {
    machine.takeTrace();
  }
  /** What came before a step began is not what comes of it. */
  forget(): void {
    this.machine.takeTrace();
    this.entries = [];
  }
  /** Whether it has happened; what came up to it is done with. */
  saw(isIt: (entry: TraceEntry) => boolean): boolean {
    for (const entry of this.machine.takeTrace()) this.entries.push(entry);
    const at = this.entries.findIndex(isIt);
    this.entries.splice(0, at < 0 ? this.entries.length : at + 1);
    return at >= 0;
  }
  /** Lets time pass until it happens. @returns whether it did before `limitUs` */
  waitFor(isIt: (entry: TraceEntry) => boolean, limitUs: number, mostWork: number): boolean {
    const { machine } = this;
    for (;;) {
      if (this.saw(isIt)) return true;
      const { nextUs } = machine;
      if (nextUs === null || nextUs > limitUs || machine.still || machine.work > mostWork) return false;
      machine.advanceTo(nextUs);
    }
  }
}

function playWay(
  explorer: Explorer,
  steps: readonly Step[],
  arrived: Arrived,
  seed: number,
  effort: Effort,
): Script {
  const { gadget } = explorer;
  const mostWork = effort.left;
  const machine = new Machine(gadget, seed);
  const watched = new Watched(machine);
  const stimuli: Stimulus[] = [];
  const knobs = new Map<string, number>();
  let reached = true;
  for (const step of steps) {
    if (step.kind === 'timer') {
      reached = watched.waitFor(firing(explorer, step), machine.nowUs + longestUs, mostWork) && reached;
      continue;
    }
    const move = explorer.moves[step.move]!;
    watched.forget();
    const atUs = machine.nowUs + pauseUs;
    const knob = knobMoved(gadget, move, knobs);
    const done = knob ? [knob.stimulus] : move.stimuli;
    for (const stimulus of done) {
      const placed = { ...stimulus, atUs: atUs + stimulus.atUs };
      stimuli.push(placed);
      machine.stimulate(placed);
    }
    const overUs = atUs + Math.max(move.lengthUs, ...done.map(endOf)) + 20_000;
    if (knob) {
      // Filters take their time: it has been moved once its value has come there.
      const come = ({ lane, ...entry }: TraceEntry) =>
        lane === 'value' && 'step' in entry && entry.id === move.controlId && entry.step === knob.step;
      watched.waitFor(come, overUs + settleUs, mostWork);
    }
    reached = machine.advance(Math.max(machine.nowUs, overUs), mostWork - machine.work) && reached;
    if (!reached) break;
  }
  // What comes of the last step may take a turn of the loop.
  machine.advance(machine.nowUs + gadget.loop.periodUs * 2, mostWork);
  effort.left -= machine.work;
  const { flow, shown } = machine.snapshot();
  return { seed, stimuli, endUs: machine.nowUs, confirmed: reached && arrived(flow, shown) };
}

/** When the hand is done with it. */
export const endOf = (stimulus: Stimulus): number =>
  stimulus.atUs + ('overUs' in stimulus ? stimulus.overUs : stimulus.what === 'send' ? stimulus.heldUs : 0);

/** A hand takes so long from one step of a knob to the next. */
const knobStepUs = 40_000;
/** The slowest reading of a knob, 256 in a mean at 10 ms each, has come to its value by then. */
const settleUs = 3_000_000;

/** A knob is moved to the place of its next step; null for other controls. */
export function knobMoved(
  gadget: Gadget,
  { controlId, by }: Move,
  knobs: Map<string, number>,
): { stimulus: Stimulus; step: number } | null {
  const knob = gadget.controls.find((one): one is Knob => one.id === controlId && one.kind === 'knob');
  if (!knob) return null;
  const step = (knobs.get(controlId) ?? Math.floor(knob.reading.steps / 2)) + by;
  knobs.set(controlId, step);
  const perMille = placeOfStep(step, knob);
  return { stimulus: { atUs: 0, controlId, what: 'move', perMille, overUs: knobStepUs }, step };
}

/** What shows that the timer of a step has run out. */
function firing({ tables }: Explorer, { what, number }: Extract<Step, { kind: 'timer' }>) {
  return (entry: TraceEntry): boolean => {
    if (what === 'rule') return entry.lane === 'rule' && entry.id === tables.ruleIds[number];
    return entry.lane === (what === 'signal' ? 'signal' : 'rule');
  };
}

/** Whether a run has come to the same states and followed values as a state that the explorer found. */
export function sameAs(explorer: Explorer, id: number): Arrived {
  const { active, values } = explorer.load(id);
  const wanted = { active: [...active], values: [...values] };
  return (flow) =>
    flow.active.every((on, state) => on === wanted.active[state]) &&
    explorer.slots.every((slot) => flow.values[slot] === wanted.values[slot]);
}

/** Whether a run has come to the same states; values may differ. */
export function sameStatesAs(explorer: Explorer, id: number): Arrived {
  const wanted = [...explorer.load(id).active];
  return (flow) => flow.active.every((on, state) => on === wanted[state]);
}
