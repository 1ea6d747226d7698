/*
 * The one budget of everything that happens. A gadget that asks for more than this in a moment or in a virtual second
 * stands still, with a reason: nothing that a document says may take for ever, or fill the memory.
 */

/**
 * What things are worth, in parts of some nanoseconds (`partNs`): an operation of the expression machine is
 * one part, anything that happens a hundred.
 */
export const worth = {
  /** A microstep, a timer, a signal, an edge of a contact, a turn of the loop, an entry of the trace. */
  happening: 100,
  /** To look at one rule whether it answers. */
  rule: 3,
  /** To write a variable. */
  write: 10,
  /** To look at one control in a turn. */
  look: 10,
  /** To read a knob through its noise. */
  reading: 300,
} as const;

/** What a part takes to work out on a usual computer, ns: 3 to 19, by what it is (docs/bench.md). For estimates only. */
export const partNs = 8;

/** A hundred thousand happenings in a moment, about 50 ms. 5,000 stimuli at one moment need a fifth of it. */
export const momentWork = 10_000_000;
/** Five million happenings in a virtual second, some seconds of real time: dearer gadgets are no gadgets. */
export const secondWork = 500_000_000;
/** Rounds of one macrostep; a chart that comes to rest needs about as many as it has states in a row. */
export const mostRounds = 1_000;
/** What may be planned at once: events on their way, and timers of the flow. A script brings at most 5,000. */
export const mostPlanned = 100_000;
/** Timers and delayed signals that run at once. 400 states with 100 timed rules each, in eight regions, reach 9,600. */
export const mostTimers = 20_000;

/** What there was too much of. */
export type Excess = 'moment' | 'second' | 'rounds' | 'planned';
/** What keeps a gadget busy. */
export type CauseKind = 'rule' | 'timer' | 'signal' | 'control' | 'loop';
export interface Cause {
  kind: CauseKind;
  /** Of the document; empty for the loop. */
  id: string;
}

/** Why a gadget stands still: the most frequent cause, and how often it came between `sinceUs` and `atUs`. */
export interface Standstill {
  atUs: number;
  excess: Excess;
  cause: Cause;
  times: number;
  sinceUs: number;
}

/** Counted work, as plain JSON: it is part of the state, so that a restored run stops where the uncut one does. */
export interface Work {
  /** The moment under way. */
  atUs: number;
  /** What it was given, and what is left of that. */
  given: number;
  left: number;
  /** The virtual second under way, and what was left of it before this moment. */
  second: number;
  secondLeft: number;
  /** All that was done before this moment. */
  before: number;
  /** How often each cause came since `sinceUs`; counted only once little is left. */
  tally: Record<string, number> | null;
  sinceUs: number;
}

/** Causes are counted from here down. */
export const tallyBelow = momentWork / 2;

export const freshWork = (): Work => ({
  atUs: 0,
  given: momentWork,
  left: momentWork,
  second: 0,
  secondLeft: secondWork,
  before: 0,
  tally: null,
  sinceUs: 0,
});

/** The budget is used up. */
export class StandsStill extends Error {
  readonly standstill: Standstill;
  constructor(standstill: Standstill) {
    const { excess, cause, times, atUs } = standstill;
    super(
      `More happens in one ${excess === 'second' ? 'second' : 'moment'} than can, at ${atUs} µs: ${cause.kind} ${cause.id} came ${times} times.`,
    );
    this.standstill = standstill;
  }
}

/** Time has come to `nowUs`; does nothing where it stands there already. O(1). */
export function beginMoment(work: Work, nowUs: number): void {
  if (nowUs === work.atUs) return;
  const done = work.given - work.left;
  work.before += done;
  work.secondLeft -= done;
  const second = Math.floor(nowUs / 1_000_000);
  if (second !== work.second) {
    work.second = second;
    work.secondLeft = secondWork;
  }
  work.atUs = nowUs;
  work.given = Math.min(momentWork, work.secondLeft);
  work.left = work.given;
  if (work.left >= tallyBelow && work.tally !== null) work.tally = null;
}

/** A moment of its own, in a second of its own: for those who know no time. */
export function renew(work: Work): void {
  work.before = workSoFar(work);
  work.atUs = 0;
  work.given = momentWork;
  work.left = momentWork;
  work.second = 0;
  work.secondLeft = secondWork;
  work.tally = null;
  work.sinceUs = 0;
}

/** @throws StandsStill where the budget is used up */
export function spend(work: Work, parts: number): void {
  work.left -= parts;
  if (work.left < 0) throw standsStill(work, work.given < momentWork ? 'second' : 'moment');
}

/** Something happens because of this; counted once it matters, or at once. */
export function blame(work: Work, kind: CauseKind, id: string, atOnce = false): void {
  if (work.left >= tallyBelow && !atOnce) return;
  if (work.tally === null) {
    work.tally = {};
    work.sinceUs = work.atUs;
  }
  const key = `${kind} ${id}`;
  work.tally[key] = (work.tally[key] ?? 0) + 1;
}

/** All that was done so far, in parts. */
export const workSoFar = ({ before, given, left }: Work): number => before + given - left;

/** What came most often, first among equals; the given one where nothing was counted. */
export function mostFrequent(
  tally: Readonly<Record<string, number>> | null,
  otherwise: Cause,
): { cause: Cause; times: number } {
  let most = { cause: otherwise, times: 0 };
  for (const [key, times] of Object.entries(tally ?? {})) {
    if (times <= most.times) continue;
    const [kind, id] = key.split(' ') as [CauseKind, string];
    most = { cause: { kind, id }, times };
  }
  return most;
}

/** @param otherwise what is to blame where nothing was counted yet */
export function standsStill(
  work: Work,
  excess: Excess,
  otherwise: Cause = { kind: 'loop', id: '' },
  least = 0,
): StandsStill {
  const { cause, times } = mostFrequent(work.tally, otherwise);
  return new StandsStill({
    atUs: work.atUs,
    excess,
    cause,
    times: Math.max(times, least),
    sinceUs: work.tally === null ? work.atUs : work.sinceUs,
  });
}
