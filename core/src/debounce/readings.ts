import { noiseAt } from '../kernel/index.ts';

/**
 * When the loop reads: turn k at k · period, and up to `jitterUs` later where its work differs from turn to turn.
 * The delay of each turn is addressed, so that any turn can be asked for.
 */
export class Clock {
  readonly periodUs: number;
  readonly jitterUs: number;
  private readonly seed: number;

  /** @param periodUs whole µs, > 0 @param jitterUs whole µs, in [0, periodUs) @param seed any 32-bit integer */
  constructor(periodUs: number, jitterUs = 0, seed = 0) {
    if (!(periodUs > 0) || jitterUs < 0 || jitterUs >= periodUs)
      throw new RangeError(`expected a delay from 0 to less than the period ${periodUs}, got ${jitterUs}`);
    this.periodUs = periodUs;
    this.jitterUs = jitterUs;
    this.seed = seed;
  }

  atUs(turn: number): number {
    const { jitterUs, periodUs } = this;
    return jitterUs === 0
      ? turn * periodUs
      : turn * periodUs + (noiseAt(this.seed, 0x711e, turn) % (jitterUs + 1));
  }

  /** The first turn at or after that moment. */
  turnFrom(us: number): number {
    const turn = Math.floor(us / this.periodUs);
    return this.atUs(turn) >= us ? turn : turn + 1;
  }
}

/**
 * A contact as the loop reads it: stretches of equal readings. It reads 0 before the first; the n-th (from 0) reads
 * 1 where n is even. Arrays hold `count` stretches and one more, which never comes (its turn is beyond any).
 */
export interface Readings {
  clock: Clock;
  count: number;
  /** Turn and time of the first reading of each stretch. */
  turn: Float64Array;
  atUs: Float64Array;
}

/** A turn that never comes. */
const never = Number.MAX_SAFE_INTEGER;

/** Reads a record of alternating edges, the first to 1. Cost follows edges. @param edgeUs ascending */
export function readEdges(edgeUs: ArrayLike<number>, count: number, clock: Clock): Readings {
  const turn = new Float64Array(count + 1);
  const atUs = new Float64Array(count + 1);
  let stretches = 0;
  let edge = 0;
  while (edge < count) {
    // Everything up to the reading that sees this edge is seen as one.
    const seen = clock.turnFrom(edgeUs[edge]!);
    const seenUs = clock.atUs(seen);
    edge += 1;
    while (edge < count && edgeUs[edge]! <= seenUs) edge += 1;
    // After n edges the contact is at n mod 2, and so are the readings after n stretches.
    if ((edge & 1) === (stretches & 1)) continue;
    turn[stretches] = seen;
    atUs[stretches] = seenUs;
    stretches += 1;
  }
  turn[stretches] = never;
  atUs[stretches] = never;
  return { clock, count: stretches, turn, atUs };
}

/** Clean changes, alternating, the first to 1. Made once and filled anew for every setting. */
export interface Changes {
  count: number;
  atUs: Float64Array;
}

/** Room for what any algorithm can make of those readings: it never changes oftener than they do. */
export function roomFor({ count }: Readings): Changes {
  return { count: 0, atUs: new Float64Array(count + 1) };
}
