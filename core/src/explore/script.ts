import type { Effort, Gadget, Knob } from '../gadget/index.ts';
import { Machine, type MachineState, type Stimulus, type TraceEntry } from '../machine/index.ts';
import type { Explorer, Step } from './explorer.ts';
import { placeOfStep } from './moves.ts';

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
export type Arrived = (flow: MachineState['flow']) => boolean;

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
  const stimuli: Stimulus[] = [];
  const knobs = new Map<string, number>();
  let reached = true;
  machine.takeTrace();
  for (const step of steps) {
    if (step.kind === 'timer') {
      reached = waitFor(machine, explorer, step, mostWork) && reached;
      continue;
    }
    const move = explorer.moves[step.move]!;
    const atUs = machine.nowUs + pauseUs;
    const done = stimuliOf(gadget, move.controlId, move.by, move.stimuli, knobs);
    for (const stimulus of done) {
      const placed = { ...stimulus, atUs: atUs + stimulus.atUs };
      stimuli.push(placed);
      machine.stimulate(placed);
    }
    const overUs = atUs + Math.max(move.lengthUs, ...done.map((one) => one.atUs)) + 20_000;
    reached = machine.advance(overUs, mostWork - machine.work) && reached;
    if (!reached) break;
  }
  // What comes of the last step may take a turn of the loop.
  machine.advance(machine.nowUs + gadget.loop.periodUs * 2, mostWork);
  effort.left -= machine.work;
  const { flow } = machine.snapshot();
  return { seed, stimuli, endUs: machine.nowUs, confirmed: reached && arrived(flow) };
}

/** What a hand does for a move; a knob is moved to the place of its next step. */
function stimuliOf(
  gadget: Gadget,
  controlId: string,
  by: number,
  stimuli: readonly Stimulus[],
  knobs: Map<string, number>,
): readonly Stimulus[] {
  const knob = gadget.controls.find((one): one is Knob => one.id === controlId && one.kind === 'knob');
  if (!knob) return stimuli;
  const step = (knobs.get(controlId) ?? Math.floor(knob.reading.steps / 2)) + by;
  knobs.set(controlId, step);
  return [{ atUs: 0, controlId, what: 'move', perMille: placeOfStep(step, knob), overUs: 40_000 }];
}

/** Waits until that timer has fired. */
function waitFor(
  machine: Machine,
  explorer: Explorer,
  step: Extract<Step, { kind: 'timer' }>,
  mostWork: number,
): boolean {
  const { ruleIds } = explorer.tables;
  const limitUs = machine.nowUs + longestUs;
  const isIt = (entry: TraceEntry) => {
    if (step.what === 'rule') return entry.lane === 'rule' && entry.id === ruleIds[step.number];
    return step.what === 'signal' ? entry.lane === 'signal' : entry.lane === 'rule';
  };
  // What the step before has just set off may be it.
  for (;;) {
    if (machine.takeTrace().some(isIt)) return true;
    const { nextUs } = machine;
    if (nextUs === null || nextUs > limitUs || machine.still || machine.work > mostWork) return false;
    machine.advanceTo(nextUs);
  }
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
