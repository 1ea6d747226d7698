import {
  fireTimer,
  freshFlow,
  nextTimerUs,
  powerUp,
  stepFlow,
  type Around,
  type FlowState,
  type FlowTables,
} from '../flow/index.ts';
import { beginMoment, freshWork, StandsStill, workSoFar } from '../kernel/index.ts';
import type { Controls, Happening } from './controls.ts';
import type { Seen } from './hand.ts';
import type { Move } from './moves.ts';
import type { Played } from './round.ts';

/** A round that has this many things happen in it is taken to be without end. */
const mostSteps = 200_000;
/** So is one that costs as much, in the kernel's parts: nearly half a second. */
export const mostWork = 100_000_000;

/** One run of the flow in its own time, with events from hands: what is meant comes through, and at once. */
export class FlowRound implements Played {
  nowUs = 0;
  end: number | null = null;
  private ends: readonly number[] = [];
  /** What expressions of a policy see. */
  readonly seen: Seen;
  private readonly tables: FlowTables;
  private readonly state: FlowState;
  private readonly controls: Controls;
  /** Where the controls lie that keep their place. */
  private readonly places: number[];
  /** What comes of moves under way, in order of time. */
  private readonly coming: Happening[] = [];
  private steps = 0;
  private readonly around: Around;
  private readonly periodUs: number;
  /** When a timer was last looked at. */
  private turnUs = -Infinity;
  /** More would have happened than can: nothing does any more. */
  private still = false;

  constructor(tables: FlowTables, controls: Controls, seed: number, periodUs: number) {
    this.tables = tables;
    this.periodUs = periodUs;
    this.controls = controls;
    this.places = controls.atRest();
    const { places } = this;
    const control = (number: number) => controls.valueAt(number, places);
    this.around = { nowUs: 0, work: freshWork(), seed, control, quiet: true };
    this.state = this.unlessTooMuch(() => powerUp(tables, this.around).state) ?? freshFlow(tables, null);
    const { state } = this;
    this.seen = {
      state,
      places,
      values: state.values,
      random: () => 0,
      active: (one) => state.active[one]!,
      elapsed: (one) => Math.floor((this.nowUs - state.enteredUs[one]!) / 1_000),
      control,
      carried: [],
      heldMs: () => 0,
      mishap: () => undefined,
    };
  }

  get idle(): boolean {
    return this.coming.length === 0;
  }
  get work(): number {
    return workSoFar(this.around.work);
  }
  get spent(): boolean {
    return this.still || this.steps > mostSteps || this.work > mostWork;
  }

  begin(move: Move, fromUs: number): void {
    for (const one of this.controls.timeline(move, this.places))
      this.coming.push({ ...one, atUs: fromUs + one.atUs });
    this.coming.sort((a, b) => a.atUs - b.atUs);
  }

  watch(ends: readonly number[]): void {
    this.ends = ends;
    this.look();
  }
  private look(): void {
    this.end ??= this.ends.find((state) => this.state.active[state] === 1) ?? null;
  }

  set(slot: number, value: number): void {
    this.state.values[slot] = value;
  }

  nextUs(): number {
    return Math.min(this.timerUs(), this.coming[0]?.atUs ?? Infinity);
  }

  /** Timers before hands, as in a turn of the loop. */
  advance(untilUs: number): void {
    const { tables, state } = this;
    while (!this.spent) {
      const timerUs = this.timerUs();
      const handUs = this.coming[0]?.atUs ?? Infinity;
      const dueUs = Math.min(timerUs, handUs);
      if (dueUs > untilUs) break;
      this.steps += 1;
      this.nowUs = Math.max(this.nowUs, dueUs);
      this.around.nowUs = this.nowUs;
      beginMoment(this.around.work, this.nowUs);
      if (timerUs <= handUs) {
        this.turnUs = this.nowUs;
        this.nowUs += this.unlessTooMuch(() => fireTimer(tables, state, 0, this.around).blockedUs) ?? 0;
        this.look();
        continue;
      }
      const one = this.coming.shift()!;
      if ('to' in one) {
        this.places[one.at] = one.to;
        continue;
      }
      this.around.carried = one.carried;
      // Everything stands still meanwhile, and what hands do waits.
      this.nowUs += this.unlessTooMuch(() => stepFlow(tables, state, one.event, this.around).blockedUs) ?? 0;
      this.look();
    }
    this.nowUs = Math.max(this.nowUs, untilUs);
  }

  private unlessTooMuch<T>(work: () => T): T | null {
    try {
      return work();
    } catch (error) {
      if (!(error instanceof StandsStill)) throw error;
      this.still = true;
      return null;
    }
  }

  /** When the turn comes that looks at the next timer: timers of one turn together, a turn no sooner than it can be. */
  private timerUs(): number {
    const dueUs = nextTimerUs(this.state) ?? Infinity;
    return dueUs <= this.turnUs ? dueUs : Math.max(dueUs, this.turnUs + this.periodUs);
  }
}
