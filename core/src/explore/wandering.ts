import type { Gadget, State } from '../gadget/index.ts';
import { unitAt } from '../kernel/index.ts';
import { Machine } from '../machine/index.ts';
import { doableMoves, type Move } from './moves.ts';
import { knobMoved } from './script.ts';
import { glanceUs, seenNow, type Settled } from './settled.ts';

/** Somebody eager, and somebody who mostly waits: on the mean so long between two moves. */
const paces = [900_000, 15_000_000] as const;
/** A game's worth for each. */
const roundUs = 600_000_000;
/** What is there for less than that between two looks is missed. */
const lookUs = 250_000;
/** What each may cost, in the kernel's parts. */
const mostWork = 400_000_000;
const channels = { pause: 0x5a10, pick: 0x5a20 } as const;

/** Plays at random through the whole machine, and keeps what can be seen in states that were found in no other way. */
export class Wandering {
  readonly found: Settled[] = [];
  private readonly moves: readonly Move[];
  private readonly wanted: Set<string>;
  private readonly outer: ReadonlySet<string>;
  private machine: Machine;
  private readonly knobs = new Map<string, number>();
  private pace = 0;
  private moved = 0;
  private nextUs = 0;

  /**
   * @param gadget with all that its menus come to
   * @param wanted ids of innermost states
   */
  constructor(
    private readonly gadget: Gadget,
    wanted: Iterable<string>,
  ) {
    this.moves = doableMoves(this.gadget);
    this.wanted = new Set(wanted);
    this.outer = new Set(this.gadget.flow.states.flatMap(({ parentId }) => parentId ?? []));
    this.machine = new Machine(this.gadget, 1);
  }

  /** Plays on until the next look. @returns whether there is nothing more to look for, or no more time */
  advance(): boolean {
    const { machine } = this;
    if (this.wanted.size === 0) return true;
    if (machine.nowUs >= roundUs || machine.work > mostWork || machine.still !== null) {
      this.pace += 1;
      if (this.pace >= paces.length) return true;
      this.machine = new Machine(this.gadget, this.pace + 1);
      this.knobs.clear();
      this.nextUs = 0;
      return false;
    }
    if (machine.nowUs >= this.nextUs) this.move();
    machine.advance(machine.nowUs + lookUs, mostWork);
    this.look();
    return false;
  }

  /** How much of it is done, from 0 to 1. */
  get share(): number {
    return Math.min(1, (this.pace + Math.min(1, this.machine.nowUs / roundUs)) / paces.length);
  }

  private move(): void {
    const { machine, moves, moved } = this;
    this.moved += 1;
    const mean = paces[this.pace]!;
    this.nextUs = machine.nowUs + Math.round(2 * mean * unitAt(this.pace, channels.pause, moved));
    const move = moves[Math.floor(unitAt(this.pace, channels.pick, moved) * moves.length)];
    if (!move) return;
    const knob = knobMoved(this.gadget, move, this.knobs);
    for (const stimulus of knob ? [knob.stimulus] : move.stimuli)
      machine.stimulate({ ...stimulus, atUs: machine.nowUs + stimulus.atUs });
    // Nobody has more hands than that.
    this.nextUs = Math.max(this.nextUs, machine.nowUs + move.lengthUs);
  }

  private look(): void {
    const { machine } = this;
    const there = machine.shown.stateIds;
    if (!there.some((id) => this.wanted.has(id))) return;
    machine.advance(machine.nowUs + glanceUs, mostWork);
    const seen = seenNow(machine);
    if (seen.stateIds.join() !== there.join()) return;
    for (const id of seen.stateIds) this.wanted.delete(id);
    this.found.push({
      states: this.innermost(seen.stateIds),
      ...seen,
      // Nobody waited to see whether it is left by itself.
      stays: false,
      alternating: [],
    });
  }

  private innermost(stateIds: readonly string[]): State[] {
    return this.gadget.flow.states.filter(({ id }) => stateIds.includes(id) && !this.outer.has(id));
  }
}
