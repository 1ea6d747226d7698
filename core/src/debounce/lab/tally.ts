import type { DebounceSetting } from '../../gadget/index.ts';
import { readEdges, roomFor, type Changes, type Clock, type Readings } from '../readings.ts';
import { algorithmOf } from '../setting.ts';
import { spreadOf, type Spread } from './spread.ts';

/** Presses of one contact, and its raw edges: see `pressTrain` of contact. */
export interface Presses {
  presses: number;
  downUs: Float64Array;
  upUs: Float64Array;
  edgeUs: Float64Array;
}

/** What a setting made of many presses. */
export interface Tally {
  presses: number;
  /** Clean presses that no finger made: a second answer to one, or an answer to none. */
  falsePresses: number;
  /** Presses never answered. */
  missed: number;
  /** From the finger to the clean press, and from its leaving to the clean release; null: none came. */
  press: Spread | null;
  release: Spread | null;
}

/** Readings of the contact itself, and of what each filter makes of it; read once for all settings that share them. */
export class Bench {
  readonly train: Presses;
  private readonly clock: Clock;
  private readonly plain: Readings;
  private readonly room: Changes;
  private readonly filtered: Changes;
  private readonly late: Float64Array;

  constructor(train: Presses, clock: Clock) {
    this.train = train;
    this.clock = clock;
    this.plain = readEdges(train.edgeUs, train.edgeUs.length, clock);
    this.room = roomFor(this.plain);
    this.filtered = { count: 0, atUs: new Float64Array(train.edgeUs.length + 1) };
    this.late = new Float64Array(train.presses);
  }

  /** What the setting makes of the whole train. Good until the next call. */
  clean({ algorithm: id, params }: DebounceSetting): Changes {
    const algorithm = algorithmOf(id);
    const { edgeUs } = this.train;
    let readings = this.plain;
    if (algorithm.filter) {
      algorithm.filter.pass(edgeUs, edgeUs.length, params, this.filtered);
      readings = readEdges(this.filtered.atUs, this.filtered.count, this.clock);
    }
    algorithm.sweep(readings, params, this.room);
    return this.room;
  }

  tally(setting: DebounceSetting): Tally {
    return tallyOf(this.train, this.clean(setting), this.late);
  }
}

/**
 * Sets clean changes against the fingers. The first clean press from a finger's coming until the next one is its
 * answer, all others are false; the first clean release after its leaving is the answer to that.
 * @param late room for one time per press
 */
export function tallyOf(
  { presses, downUs, upUs }: Presses,
  { count, atUs }: Changes,
  late: Float64Array,
): Tally {
  let falsePresses = 0;
  let answered = 0;
  // Clean presses are the even changes, releases the odd ones.
  let down = 0;
  while (down < count && atUs[down]! < downUs[0]!) {
    falsePresses += 1;
    down += 2;
  }
  for (let press = 0; press < presses; press += 1) {
    const untilUs = press + 1 < presses ? downUs[press + 1]! : Infinity;
    let first = true;
    while (down < count && atUs[down]! < untilUs) {
      if (first) {
        late[answered] = atUs[down]! - downUs[press]!;
        answered += 1;
        first = false;
      } else falsePresses += 1;
      down += 2;
    }
  }
  const press = spreadOf(late, answered);
  let released = 0;
  let up = 1;
  for (let n = 0; n < presses; n += 1) {
    const untilUs = n + 1 < presses ? downUs[n + 1]! : Infinity;
    while (up < count && atUs[up]! < upUs[n]!) up += 2;
    if (up < count && atUs[up]! < untilUs) {
      late[released] = atUs[up]! - upUs[n]!;
      released += 1;
    }
  }
  return { presses, falsePresses, missed: presses - answered, press, release: spreadOf(late, released) };
}
