import type { KnobReading } from '../gadget/index.ts';

/** A knob on its way from counts to a value. Plain JSON. */
export interface KnobState {
  /** Last readings, newest last, as far as the filter looks at them. */
  recent: number[];
  /** What the filter says, in whole 256ths of a count, as firmware keeps it. */
  filtered: number | null;
  /** Step that counts, from 0; null: nothing was read yet. */
  step: number | null;
}

export const unreadKnob: KnobState = { recent: [], filtered: null, step: null };

/** Parts of a count that a filter keeps. */
const partsOfCount = 256;

/** A filter's answer to one more reading, in whole numbers throughout. */
function filter(
  state: KnobState,
  count: number,
  { filter: kind, readings }: KnobReading,
): Omit<KnobState, 'step'> {
  const now = count * partsOfCount;
  if (kind === 'none') return { recent: [], filtered: now };
  if (kind === 'exponential') {
    const was = state.filtered ?? now;
    return { recent: [], filtered: was + Math.trunc((now - was) / readings) };
  }
  const recent = [...state.recent, count].slice(-readings);
  return { recent, filtered: partsOfCount * (kind === 'mean' ? meanOf(recent) : medianOf(recent)) };
}

/** Whole counts, cut down. */
const meanOf = (recent: readonly number[]): number =>
  Math.floor(recent.reduce((sum, one) => sum + one, 0) / recent.length);
/** The lower of two in the middle. */
const medianOf = (recent: readonly number[]): number =>
  [...recent].sort((a, b) => a - b)[(recent.length - 1) >> 1]!;

/** Readings that were left out while nothing they could say mattered, as the filter would have them. */
export function refill(
  state: KnobState,
  counts: readonly number[],
  { filter: kind, readings }: KnobReading,
): KnobState {
  if (kind === 'none' || kind === 'exponential' || counts.length === 0) return state;
  return { ...state, recent: [...state.recent, ...counts].slice(-readings) };
}

/** What undoes the track's taper: share of full scale to share of the way. */
export type Straighten = (share: number) => number;

const curves: Record<KnobReading['curve'], (way: number) => number> = {
  even: (way) => way,
  fineLow: (way) => way * way,
  fineHigh: (way) => 1 - (1 - way) * (1 - way),
};

/** A share of the range without its end bands, with the middle band flat: 0 to 1. */
function banded(count: number, reading: KnobReading): number {
  const low = reading.lowCount + reading.endBandCounts;
  const high = reading.highCount - reading.endBandCounts;
  if (high <= low) return 0.5;
  const clamped = Math.max(low, Math.min(high, count));
  const band = reading.centreBandCounts;
  if (band === 0) return (clamped - low) / (high - low);
  const middle = (low + high) / 2;
  const half = (high - low) / 2 - band;
  if (half <= 0) return 0.5;
  const off = clamped - middle;
  return 0.5 + (Math.sign(off) * Math.max(0, Math.abs(off) - band)) / (2 * half);
}

/**
 * The step that a count stands for: calibrated, ends and middle clamped, taper undone, curve applied, turned round
 * where it is reversed.
 * @returns whole, in [0, steps)
 */
export function stepOf(count: number, reading: KnobReading, straighten: Straighten): number {
  const share = banded(count, reading);
  const way = reading.straighten ? Math.max(0, Math.min(1, straighten(share))) : share;
  const along = curves[reading.curve](reading.reversed ? 1 - way : way);
  return Math.min(reading.steps - 1, Math.floor(along * reading.steps));
}

/** The value of a step. */
export function valueOf(step: number, { low, high, steps }: KnobReading): number {
  return low + Math.round(((high - low) * step) / (steps - 1));
}

/** The step after one more answer of the filter, in whole counts: left only once that is beyond its edge by the hysteresis. */
export function heldStep(
  step: number | null,
  filtered: number,
  reading: KnobReading,
  straighten: Straighten,
): number {
  if (step === null) return stepOf(filtered, reading, straighten);
  const h = reading.hysteresisCounts;
  const one = stepOf(filtered - h, reading, straighten);
  const other = stepOf(filtered + h, reading, straighten);
  const least = Math.min(one, other);
  const most = Math.max(one, other);
  return least > step ? least : most < step ? most : step;
}

/** One reading. @param count whole counts of the converter */
export function readKnob(
  state: KnobState,
  count: number,
  reading: KnobReading,
  straighten: Straighten,
): { state: KnobState; moved: number } {
  const next = filter(state, count, reading);
  const step = heldStep(state.step, Math.floor(next.filtered! / partsOfCount), reading, straighten);
  return { state: { ...next, step }, moved: state.step === null ? 0 : step - state.step };
}

/** Counts at which the step changes, ascending: `edges[n]` is the first count of another step than before it. */
export function stepEdges(reading: KnobReading, straighten: Straighten): number[] {
  const edges: number[] = [];
  let was = stepOf(reading.lowCount, reading, straighten);
  for (let count = reading.lowCount + 1; count <= reading.highCount; count += 1) {
    const step = stepOf(count, reading, straighten);
    if (step !== was) edges.push(count);
    was = step;
  }
  return edges;
}
