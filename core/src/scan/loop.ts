/*
 * Direct pins, one per contact, all read once per turn of the main loop. Turns lie on the multiples of the period
 * since power-up; a loop that stands still leaves turns out.
 */

/**
 * The first turn at or after `atUs` that is not inside a standstill.
 * @param atUs whole µs, >= 0
 * @param periodUs whole µs, > 0
 * @param blockedUntilUs end of the standstill, if any; the turn at that very moment happens
 */
export function turnAtOrAfter(atUs: number, periodUs: number, blockedUntilUs = 0): number {
  return Math.ceil(Math.max(atUs, blockedUntilUs) / periodUs) * periodUs;
}

/**
 * How many turns a standstill until `untilUs` leaves out.
 * @param nextUs the turn that would have come next without it
 */
export function turnsLost(nextUs: number, untilUs: number, periodUs: number): number {
  return (turnAtOrAfter(untilUs, periodUs) - nextUs) / periodUs;
}

/** What a turn reads from one pin. */
export interface Sample {
  level: 0 | 1;
  atUs: number;
  /** Number of this turn among those that really happened. */
  turn: number;
}
