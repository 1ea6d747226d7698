import { noiseReach, straightenBy, trackShare, wayOfShare, wiperCount } from '../contact/index.ts';
import type { Knob, KnobReading, Taper } from '../gadget/index.ts';
import { heldStep, readKnob, stepEdges, stepOf, unreadKnob, valueOf } from '../gesture/index.ts';
import { labSeed } from './presses.ts';

export interface KnobFacts {
  /** What one step changes, and how wide steps are in counts: all alike on an even track. */
  valuePerStep: number;
  widthCounts: number;
  narrowestCounts: number;
  /** Different values that can really be set. */
  reachable: number;
  /** Noise never reaches further than this from where it rests; half of the time not further than `usualNoise`. */
  noiseCounts: number;
  usualNoiseCounts: number;
  /** Changes of value a minute while nobody touches it: between two steps, where it is worst, and anywhere. */
  worstFlickers: number;
  usualFlickers: number;
}

const placesTried = 12;
const readingsTried = 800;
/** Half of a normal distribution lies within so many of its spreads. */
const quartile = 0.6745;

/** Whether noise can move the value once at most: noise has an end here, and filters stay within it. */
function isQuiet({ wiper, reading }: Knob, taper: Taper, way: number): boolean {
  const straighten = straightenBy(taper);
  const full = 2 ** wiper.bits;
  const reach = (noiseReach * wiper.noisePpm) / 1_000_000;
  const countAt = (share: number) => Math.max(0, Math.min(full - 1, Math.floor(share * full)));
  const low = countAt(trackShare(taper, way) - reach);
  const high = countAt(trackShare(taper, way) + reach);
  // Pushed up as far as noise can, and still there when it pulls the other way: then it stays.
  const up = heldStep(stepOf(low, reading, straighten), high, reading, straighten);
  return heldStep(up, low, reading, straighten) === up;
}

/** Changes of value while the knob rests, in a minute. @param way in [0, 1] */
export function flickersPerMinute(knob: Knob, taper: Taper, way: number, seed = labSeed): number {
  const { wiper, reading } = knob;
  const straighten = straightenBy(taper);
  if (isQuiet(knob, taper, way)) return 0;
  let state = unreadKnob;
  let changes = 0;
  const moment = { way, moving: false, loaded: false };
  for (let n = 0; n < readingsTried; n += 1) {
    const read = readKnob(state, wiperCount(wiper, taper, moment, seed, 0, n), reading, straighten);
    // The filter settles first: what a power-up shows is no flicker.
    if (read.moved !== 0 && n > 4 * reading.readings) changes += 1;
    state = read.state;
  }
  return (changes * 60_000_000) / (readingsTried * reading.everyUs);
}

/** The way at which the track gives a count. */
const wayOfCount = (knob: Knob, taper: Taper, count: number) =>
  wayOfShare(taper, count / 2 ** knob.wiper.bits);

/** What a knob's figures come to, measured under its part's own noise. Source: `reckoning`, quantising a knob. */
export function knobFacts(knob: Knob, taper: Taper): KnobFacts {
  const { reading, wiper } = knob;
  const edges = stepEdges(reading, straightenBy(taper));
  const widths = edges.slice(1).map((edge, n) => edge - edges[n]!);
  const span = reading.highCount - reading.lowCount + 1;
  const scale = 2 ** wiper.bits / 1_000_000;
  const flickers = (ways: number[]) => ways.map((way, n) => flickersPerMinute(knob, taper, way, labSeed + n));
  const some = (all: readonly number[]) =>
    all.filter((_, n) => n % Math.max(1, Math.floor(all.length / placesTried)) === 0);
  const worst = flickers(some(edges).map((edge) => wayOfCount(knob, taper, edge)));
  const usual = flickers(Array.from({ length: placesTried }, (_, n) => (n + 0.5) / placesTried));
  return {
    valuePerStep: (reading.high - reading.low) / (reading.steps - 1),
    widthCounts: span / reading.steps,
    narrowestCounts: widths.length === 0 ? span : Math.min(...widths),
    reachable: edges.length + 1,
    noiseCounts: Math.ceil(noiseReach * wiper.noisePpm * scale),
    usualNoiseCounts: quartile * wiper.noisePpm * scale,
    worstFlickers: Math.max(0, ...worst),
    usualFlickers: usual.reduce((sum, one) => sum + one, 0) / usual.length,
  };
}

/** How far noise reaches behind the filter, in counts. A mean of n leaves its spread by √n, a median by √(2n/π). */
export function noiseBehind(
  { reading: { filter, readings } }: Pick<Knob, 'reading'>,
  noiseCounts: number,
): number {
  switch (filter) {
    case 'none':
      return noiseCounts;
    case 'mean':
      return Math.ceil(noiseCounts / Math.sqrt(readings));
    case 'median':
      return Math.ceil(noiseCounts / Math.sqrt(Math.max(1, (2 * readings) / Math.PI)));
    case 'exponential':
      // Of each reading one part in n counts: the spread is that of 2n − 1 readings in a mean.
      return Math.ceil(noiseCounts / Math.sqrt(2 * readings - 1));
  }
}

/** Means that are tried where noise is wider than a step; each takes so many readings to follow. */
const means = [4, 8, 16, 32, 64];
/** Flickers a minute that nobody sees. */
export const seenAMinute = 1;

/**
 * The same reading made steady: held on by more than what is left of the noise, behind a filter where steps are too narrow
 * for that as it is, and with fewer steps only where no filter is enough. Held on for less than half a step. Source:
 * reckoning, quantising a knob.
 */
export function steadied(knob: Knob, taper: Taper): KnobReading {
  const { reading } = knob;
  const facts = knobFacts(knob, taper);
  if (facts.worstFlickers <= seenAMinute) return reading;
  const most = Math.floor(facts.narrowestCounts / 2);
  const filters: KnobReading[] = [
    reading,
    ...means
      .filter((readings) => reading.filter !== 'mean' || readings > reading.readings)
      .map((readings) => ({ ...reading, filter: 'mean' as const, readings })),
  ];
  for (const filtered of filters) {
    const wanted = noiseBehind({ reading: filtered }, facts.noiseCounts);
    // Noise seldom reaches its end: less may do, and is tried before another filter.
    for (const hysteresisCounts of [...new Set([Math.ceil(wanted / 2), wanted, wanted + 1])]) {
      if (hysteresisCounts > most) continue;
      const held = { ...filtered, hysteresisCounts };
      if (knobFacts({ ...knob, reading: held }, taper).worstFlickers <= seenAMinute) return held;
    }
  }
  const { lowCount, highCount, endBandCounts, centreBandCounts } = reading;
  const span = highCount - lowCount - 2 * endBandCounts - 2 * centreBandCounts;
  const hysteresisCounts = facts.noiseCounts + 1;
  const steps = Math.max(2, Math.min(reading.steps, Math.floor(span / (2 * hysteresisCounts))));
  return { ...reading, steps, hysteresisCounts };
}

/** With bands at ends and middle that its noise, and its own rest, stay within. */
function banded(knob: Knob): KnobReading {
  const { endBandCounts, centreBandCounts } = bandsNeeded(knob);
  return {
    ...knob.reading,
    endBandCounts: Math.max(knob.reading.endBandCounts, endBandCounts),
    centreBandCounts: Math.max(knob.reading.centreBandCounts, centreBandCounts),
  };
}

/** A reading with such bands, made steady: what the snag mends, and what is recommended, alike. */
export const bandedAndSteady = (knob: Knob, taper: Taper): KnobReading =>
  steadied({ ...knob, reading: banded(knob) }, taper);

/** What the value does along the way, for drawing: at `points` places from one end to the other. */
export function responseOf(knob: Knob, taper: Taper, points = 101): { way: number; value: number }[] {
  const full = 2 ** knob.wiper.bits;
  return Array.from({ length: points }, (_, n) => {
    const way = n / (points - 1);
    const count = Math.min(full - 1, Math.floor(trackShare(taper, way) * full));
    return { way, value: valueOf(stepOf(count, knob.reading, straightenBy(taper)), knob.reading) };
  });
}

/** Share of the range that the middle of the way gives: tells the taper that a hand feels. */
export function middleShare(knob: Knob, taper: Taper): number {
  const { low, high } = knob.reading;
  const { value } = responseOf(knob, taper, 3)[1]!;
  return (value - low) / (high - low);
}

/** Axes rest within so much of their middle, in thousandths of the whole way. */
const restPerMille = 15;

/** Bands that hold the ends against noise, and the middle of an axis against noise and its own rest; counts. */
export function bandsNeeded({ wiper, reading, returns }: Knob): {
  endBandCounts: number;
  centreBandCounts: number;
} {
  const noise = Math.ceil((noiseReach * wiper.noisePpm * 2 ** wiper.bits) / 1_000_000);
  const span = reading.highCount - reading.lowCount;
  return {
    endBandCounts: noise,
    centreBandCounts: returns ? noise + Math.ceil((span * restPerMille) / 1_000) : 0,
  };
}

/**
 * Where the middle of the way should be: a position is even; level is heard, and rates are felt, by ratio, so that
 * they want most of the way for the low end.
 */
export const suits: Record<Knob['sets'], { least: number; most: number; curve: Knob['reading']['curve'] }> = {
  position: { least: 0.4, most: 0.6, curve: 'even' },
  level: { least: 0.05, most: 0.35, curve: 'fineLow' },
  rate: { least: 0.05, most: 0.35, curve: 'fineLow' },
  // Whatever takes the number has a curve of its own: any taper may be meant.
  number: { least: 0, most: 1, curve: 'even' },
};

/**
 * What to set for a knob: dead bands beyond its noise, the taper that its quantity wants, and a reading that is steady.
 * What is enough already stays.
 */
export function quietReading(knob: Knob, taper: Taper): Knob['reading'] {
  const wide = banded(knob);
  const { least, most, curve } = suits[knob.sets];
  const share = middleShare({ ...knob, reading: wide }, taper);
  const middle = wide.reversed ? 1 - share : share;
  const fits = knob.returns || (middle >= least && middle <= most);
  const shaped = fits ? wide : { ...wide, straighten: taper !== 'linear', curve };
  return steadied({ ...knob, reading: shaped }, taper);
}
