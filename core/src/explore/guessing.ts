import type { Code } from '../flow/index.ts';
import type { Gadget } from '../gadget/index.ts';
import { Machine, wholeGadget } from '../machine/index.ts';
import type { Move } from './moves.ts';
import { strokeUs } from './shortest.ts';

/** What comes of trying every order of presses there is, on the machine and with the lock-outs that it has. */
export interface Guessed {
  /** Orders of so many presses that there are: keys to the power of presses. */
  orders: number;
  /** How many were tried: all of them, or as many as there was time for. */
  tried: number;
  /** Ways there, each up to the press that gets there: one that is longer is not another. */
  ways: number;
  /** Time that the tried ones took, presses and waits together, µs. */
  timeUs: number;
  /** Of that, waiting until it would listen again, µs. */
  waitedUs: number;
  /** How often it had to be switched off and on, because it came back by itself no more. */
  cycles: number;
}

/** What can be tried, in the kernel's parts and in presses: a few seconds of computing. */
const mostWork = 400_000_000;
const mostPresses = 60_000;
/** A lock-out that lasts longer than that is got round by switching off and on. */
const mostWaitUs = 3_600_000_000;
/** Off and on again, by hand. */
const cycleUs = 2_000_000;
/** From power-up to the first press. */
const lookedUs = 1_000_000;
/** What a press means is known and answered by then. */
const settleUs = 40_000;

/**
 * Counts the orders of at most `presses` taps that get there from where power-up leads, and tries all of so many, one
 * after the other, on one gadget: whoever tries waits as long as it comes back to its first state by itself, and
 * switches it off and on where it does not.
 * @param taps moves of one press each
 * @param presses at least 1
 * @param goal what is got; an expression of the gadget's own flow
 */
export function guessAll(gadget: Gadget, taps: readonly Move[], presses: number, goal: Code): Guessed {
  const begun = new Machine(gadget, 1);
  // Whoever begins looks at it first.
  begun.advanceTo(lookedUs);
  const told: Guessed = {
    orders: taps.length ** presses,
    tried: 0,
    ways: 0,
    timeUs: 0,
    waitedUs: 0,
    cycles: 0,
  };
  if (taps.length === 0 || begun.evaluate(goal) !== 0) return told;
  const budget = { presses: mostPresses, work: mostWork };
  told.ways = countWays(begun, taps, presses, goal, budget);
  tryAll(begun, taps, presses, goal, told);
  if (budget.presses <= 0 || budget.work <= 0) told.tried = Math.min(told.tried, told.orders - 1);
  return told;
}

/** Ways to get there, each up to the press that did it, tried from the same beginning. */
function countWays(
  from: Machine,
  taps: readonly Move[],
  presses: number,
  goal: Code,
  budget: { presses: number; work: number },
): number {
  const start = from.snapshot();
  let ways = 0;
  for (const one of taps) {
    if (budget.presses <= 0 || budget.work <= 0) break;
    const machine = from.restoredTo(start);
    const before = machine.work;
    tap(machine, one);
    budget.presses -= 1;
    budget.work -= machine.work - before;
    if (machine.evaluate(goal) !== 0) ways += 1;
    else if (presses > 1) ways += countWays(machine, taps, presses - 1, goal, budget);
  }
  return ways;
}

/** Tries one order after the other, as somebody would who does not know the way. */
function tryAll(begun: Machine, taps: readonly Move[], presses: number, goal: Code, told: Guessed): void {
  const start = begun.snapshot();
  const home = begun.shown.stateIds.join();
  let machine = begun.restoredTo(start);
  let workBefore = 0;
  let pressed = 0;
  const order = Array<number>(presses).fill(0);
  while (told.tried < told.orders && pressed < mostPresses && workBefore + machine.work < mostWork) {
    const fromUs = machine.nowUs;
    let got = false;
    for (let at = 0; at < presses && !got; at += 1) {
      tap(machine, taps[order[at]!]!);
      pressed += 1;
      got = machine.evaluate(goal) !== 0;
    }
    told.tried += 1;
    told.timeUs += machine.nowUs - fromUs;
    if (got) {
      // What was got is known; the next is tried on the gadget as it was.
      workBefore += machine.work;
      machine = machine.restoredTo(start);
    } else comeHome(machine, home, told);
    next(order, taps.length);
  }
}

function tap(machine: Machine, { stimuli, lengthUs }: Move): void {
  const fromUs = machine.nowUs;
  for (const stimulus of stimuli) machine.stimulate({ ...stimulus, atUs: fromUs + stimulus.atUs });
  machine.advanceTo(fromUs + Math.max(strokeUs.press, lengthUs + settleUs));
}

function comeHome(machine: Machine, home: string, told: Guessed): void {
  const fromUs = machine.nowUs;
  while (machine.shown.stateIds.join() !== home) {
    const { nextUs } = machine;
    if (nextUs === null || machine.still || nextUs - fromUs > mostWaitUs || machine.work > mostWork) {
      machine.stimulate({ atUs: machine.nowUs, controlId: wholeGadget, what: 'power', event: 'cycle' });
      machine.advanceTo(machine.nowUs + cycleUs);
      told.cycles += 1;
      break;
    }
    machine.advanceTo(nextUs);
  }
  told.waitedUs += machine.nowUs - fromUs;
  told.timeUs += machine.nowUs - fromUs;
}

/** The next order; the last place counts fastest. */
function next(order: number[], keys: number): void {
  for (let place = order.length - 1; place >= 0; place -= 1) {
    order[place]! += 1;
    if (order[place]! < keys) return;
    order[place] = 0;
  }
}
