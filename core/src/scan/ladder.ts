import { unitAt } from '../kernel/index.ts';

/** Keys that pull one analog line down through a resistor each, against one resistor to the supply. */
export interface LadderFigures {
  /** One per key, Ω, rising from 0. */
  ohms: number[];
  pullOhms: number;
  tolerancePerMille: number;
  adcBits: number;
  /** Counts of noise to either side that a reading must stand. */
  noiseCounts: number;
}

/** A level of the ladder, in counts of the converter. */
export interface LadderLevel {
  ohms: number;
  nominal: number;
  low: number;
  high: number;
}

const fullScaleOf = ({ adcBits }: { adcBits: number }) => 2 ** adcBits - 1;
const code = (ohms: number, pullOhms: number, fullScale: number) =>
  ohms === Infinity ? fullScale : (fullScale * ohms) / (ohms + pullOhms);

/**
 * Where one resistor's level lies when both resistors may be off by the tolerance, against each other.
 * Source: `reckoning`, Keypads: code = full scale × R/(R + R_p).
 */
export function ladderLevel(ohms: number, figures: Omit<LadderFigures, 'ohms'>): LadderLevel {
  const { pullOhms, tolerancePerMille } = figures;
  const fullScale = fullScaleOf(figures);
  const off = tolerancePerMille / 1_000;
  return {
    ohms,
    nominal: code(ohms, pullOhms, fullScale),
    low: code(ohms * (1 - off), pullOhms * (1 + off), fullScale),
    high: code(ohms * (1 + off), pullOhms * (1 - off), fullScale),
  };
}

/** Values of the E12 and E24 series in one decade. */
const series: Record<number, readonly number[]> = {
  12: [10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82],
  24: [10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91],
};

/** Standard values from 10 Ω to 1 MΩ, rising. @param e 12 or 24 */
export function standardOhms(e: number): number[] {
  const decade = series[e] ?? series[12]!;
  return [1, 10, 100, 1_000, 10_000].flatMap((tens) => decade.map((value) => value * tens)).concat(1_000_000);
}

/** The least standard value of E12 that is at least that. @param ohms > 0, up to 1 MΩ */
export function standardAtLeast(ohms: number): number {
  return standardOhms(12).find((value) => value >= ohms - 1e-9) ?? 1_000_000;
}

export interface ChosenLadder {
  figures: LadderFigures;
  /** Least distance between two neighbouring levels at their worst, counts; below 0 they overlap. */
  gapCounts: number;
}

/** Smallest distance between neighbours at their worst, the open line included. */
export function ladderGap(figures: LadderFigures): number {
  const levels = figures.ohms.map((ohms) => ladderLevel(ohms, figures));
  const lows = [...levels.slice(1).map(({ low }) => low), fullScaleOf(figures)];
  return Math.min(...levels.map(({ high }, index) => lows[index]! - high));
}

/**
 * Resistors for so many keys with the largest worst-case gap. Taking the least value that keeps a given gap leaves
 * most room for the rest, so a gap can be had exactly if this greedy choice has it; the gap itself is bisected.
 * @param keys 1 to 64
 * @returns null where no choice of this series keeps the levels apart at all
 */
export function chooseLadder(
  keys: number,
  figures: Omit<LadderFigures, 'ohms'>,
  e: number,
): ChosenLadder | null {
  const levels = [0, ...standardOhms(e)].map((ohms) => ladderLevel(ohms, figures));
  const fullScale = fullScaleOf(figures);
  const pick = (gap: number): number[] | null => {
    const ohms: number[] = [];
    let from = -Infinity;
    for (const level of levels) {
      if (ohms.length === keys) break;
      if (level.low < from) continue;
      ohms.push(level.ohms);
      from = level.high + gap;
    }
    return ohms.length === keys && from <= fullScale ? ohms : null;
  };
  let best = pick(0);
  if (!best) return null;
  let [good, bad] = [0, fullScale];
  // 40 halvings of at most 2^24 counts: finer than any difference between two choices of standard values.
  for (let round = 0; round < 40; round += 1) {
    const middle = (good + bad) / 2;
    const ohms = pick(middle);
    if (ohms) [good, best] = [middle, ohms];
    else bad = middle;
  }
  const chosen = { ...figures, ohms: best };
  return { figures: chosen, gapCounts: ladderGap(chosen) };
}

/** Limits between levels: half way between neighbours, the open line last. */
function limitsBetween(figures: LadderFigures): number[] {
  const fullScale = fullScaleOf(figures);
  const levels = [...figures.ohms.map((ohms) => code(ohms, figures.pullOhms, fullScale)), fullScale];
  return levels.slice(1).map((level, index) => (level + levels[index]!) / 2);
}

/** Which key the converter takes it for: one at most. Pressed resistors stand in parallel. */
export function ladderReads(figures: LadderFigures, pressed: readonly boolean[]): boolean[] {
  const none = figures.ohms.map(() => false);
  const siemens = figures.ohms.reduce((sum, ohms, key) => (pressed[key] ? sum + 1 / ohms : sum), 0);
  if (siemens === 0) return none;
  const reading = code(1 / siemens, figures.pullOhms, fullScaleOf(figures));
  const key = limitsBetween(figures).findIndex((limit) => reading < limit);
  return none.map((_, index) => index === key);
}

/** Builds simulated for a yield. */
const builds = 2_000;

/**
 * How many of so many builds, with resistors drawn evenly from within their tolerance, tell every key from every
 * other, noise included, by limits that were worked out beforehand.
 */
export function ladderYield(figures: LadderFigures, seed: number): { good: number; of: number } {
  const limits = limitsBetween(figures);
  const fullScale = fullScaleOf(figures);
  const off = figures.tolerancePerMille / 1_000;
  const drawn = (ohms: number, build: number, index: number) =>
    ohms * (1 + off * (2 * unitAt(seed, index, build) - 1));
  let good = 0;
  for (let build = 0; build < builds; build += 1) {
    const pull = drawn(figures.pullOhms, build, figures.ohms.length);
    const told = figures.ohms.every((ohms, key) => {
      const reading = code(drawn(ohms, build, key), pull, fullScale);
      const above = key === 0 || reading - figures.noiseCounts >= limits[key - 1]!;
      return above && reading + figures.noiseCounts < limits[key]!;
    });
    if (told) good += 1;
  }
  return { good, of: builds };
}
