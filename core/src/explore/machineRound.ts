import type { FlowState } from '../flow/index.ts';
import type { Machine } from '../machine/index.ts';
import type { Controls } from './controls.ts';
import { mostWork } from './flowRound.ts';
import type { Seen } from './hand.ts';
import type { Move } from './moves.ts';
import type { Played } from './round.ts';
import { endOf, knobMoved } from './script.ts';

/** What the last move meant has come through contacts and cleaning by then. */
const settleUs = 20_000;

/** One run of the whole machine: what hands do goes through contacts, scan and cleaning, at the loop's own times. */
export class MachineRound implements Played {
  private machine: Machine;
  private readonly controls: Controls;
  private readonly knobs = new Map<string, number>();
  private busyUntilUs = 0;
  private ends = new Map<string, number>();
  end: number | null = null;

  /** @param machine that has just powered up */
  constructor(
    machine: Machine,
    controls: Controls,
    private readonly stateIds: readonly string[],
  ) {
    this.machine = machine;
    this.controls = controls;
  }

  get nowUs(): number {
    return this.machine.nowUs;
  }
  get seen(): Seen {
    const { machine, controls } = this;
    // Nobody who plays changes it.
    const state = machine.flow as FlowState;
    return { ...machine.seen, state, places: controls.placesIn(machine.places) };
  }
  get idle(): boolean {
    return this.nowUs >= this.busyUntilUs;
  }
  get work(): number {
    return this.machine.work;
  }
  get spent(): boolean {
    return this.machine.still !== null || this.machine.work > mostWork;
  }

  nextUs(): number {
    const nextUs = this.machine.nextUs ?? Infinity;
    return this.idle ? nextUs : Math.min(nextUs, this.busyUntilUs);
  }

  advance(untilUs: number): void {
    this.machine.advance(Math.max(untilUs, this.nowUs), mostWork);
    this.look();
  }

  begin(move: Move, fromUs: number): void {
    const { machine } = this;
    const knob = knobMoved(machine.gadget, move, this.knobs);
    let lastUs = move.lengthUs;
    for (const stimulus of knob ? [knob.stimulus] : move.stimuli) {
      machine.stimulate({ ...stimulus, atUs: Math.max(machine.nowUs, fromUs + stimulus.atUs) });
      lastUs = Math.max(lastUs, endOf(stimulus));
    }
    this.busyUntilUs = Math.max(this.busyUntilUs, fromUs + lastUs + settleUs);
  }

  watch(ends: readonly number[]): void {
    const { machine } = this;
    machine.takeTrace();
    this.ends = new Map(ends.map((state) => [this.stateIds[state]!, state]));
    this.end = ends.find((state) => machine.flow.active[state] === 1) ?? null;
  }
  /** One that was left in the very turn in which it was entered was come to all the same. */
  private look(): void {
    for (const entry of this.machine.takeTrace())
      if (entry.lane === 'state') this.end ??= this.ends.get(entry.id) ?? null;
  }

  set(slot: number, value: number): void {
    const snapshot = this.machine.snapshot();
    snapshot.flow.values[slot] = value;
    this.machine = this.machine.restoredTo(snapshot);
  }
}
