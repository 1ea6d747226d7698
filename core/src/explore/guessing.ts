import type { Code } from '../flow/index.ts';
import type { Gadget } from '../gadget/index.ts';
import { strokeUs } from '../gesture/index.ts';
import { Machine, wholeGadget } from '../machine/index.ts';
import type { Move } from './moves.ts';

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
  /** It is so before anything is pressed. */
  already: boolean;
  /** How often it had to be switched off and on, because it came back by itself no more. */
  cycles: number;
}

/** What can be tried, in the kernel's parts and in presses: about half a minute of computing, with progress. */
const mostWork = 4_000_000_000;
const mostPresses = 1_000_000;
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
 * switches it off and on where it does not. It stops at each press, and can be left there: what it came to so far
 * stands in `told`.
 */
export class Guessing {
  readonly told: Guessed;
  private readonly run: Generator<void, void>;
  private readonly inTree: number;
  private readonly whole: number;
  private pressed = 0;
  private work = 0;

  /**
   * @param taps moves of one press each
   * @param presses at least 1
   * @param goal what is got; an expression of the gadget's own flow
   */
  constructor(
    gadget: Gadget,
    private readonly taps: readonly Move[],
    private readonly presses: number,
    private readonly goal: Code,
  ) {
    const orders = taps.length ** presses;
    // Both passes: a tree of ways, then each order in full.
    const inTree = taps.length < 2 ? presses : (orders * taps.length - taps.length) / (taps.length - 1);
    this.inTree = Math.min(mostPresses, inTree);
    this.whole = this.inTree + Math.min(mostPresses, orders * presses);
    const machine = new Machine(gadget, 1);
    // Whoever begins looks at it first.
    machine.advanceTo(lookedUs);
    const already = machine.evaluate(goal) !== 0;
    this.told = { orders, tried: 0, ways: 0, timeUs: 0, waitedUs: 0, cycles: 0, already };
    this.run = already || taps.length === 0 ? nothing() : this.tryAll(machine);
  }

  /** How far it has come, 0 to 1. */
  get share(): number {
    return Math.min(1, this.pressed / this.whole);
  }

  /** Presses so many times more. @returns whether it has come to its end */
  advance(presses: number): boolean {
    for (let n = 0; n < presses; n += 1) if (this.run.next().done) return true;
    return false;
  }

  private *tryAll(begun: Machine): Generator<void, void> {
    const counted = yield* this.countWays(begun, this.presses);
    this.pressed = this.inTree;
    const { told, taps, goal } = this;
    const start = begun.snapshot();
    const home = begun.shown.stateIds.join();
    let machine = begun.restoredTo(start);
    let [workBefore, pressed] = [0, 0];
    const order = Array<number>(this.presses).fill(0);
    // The last of a count that was cut short is not claimed to be tried.
    const most = counted ? told.orders : told.orders - 1;
    while (told.tried < most && pressed < mostPresses && workBefore + machine.work < mostWork) {
      const fromUs = machine.nowUs;
      let got = false;
      for (let at = 0; at < order.length && !got; at += 1) {
        tap(machine, taps[order[at]!]!);
        pressed += 1;
        this.pressed += 1;
        got = machine.evaluate(goal) !== 0;
        yield;
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

  /** Ways to get there, each up to the press that did it, tried from the same beginning. @returns whether all were */
  private *countWays(from: Machine, presses: number): Generator<void, boolean> {
    const start = from.snapshot();
    for (const one of this.taps) {
      if (this.pressed >= mostPresses || this.work >= mostWork) return false;
      const machine = from.restoredTo(start);
      const before = machine.work;
      tap(machine, one);
      this.pressed += 1;
      this.work += machine.work - before;
      yield;
      if (machine.evaluate(this.goal) !== 0) this.told.ways += 1;
      else if (presses > 1 && !(yield* this.countWays(machine, presses - 1))) return false;
    }
    return true;
  }
}

function* nothing(): Generator<void, void> {}

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
