import { canonicalJson, type DebounceSetting, type Hands } from '../../gadget/index.ts';
import { exactExp, exactLn } from '../../kernel/index.ts';
import { Clock } from '../readings.ts';
import { algorithmOf, algorithms, type SomeAlgorithm } from '../setting.ts';
import { fastestRepeatUs, rejectedSpikeUs } from './limits.ts';
import { rateOf, shareOf, type Odds } from './odds.ts';
import { Bench, type Presses, type Tally } from './tally.ts';

export interface SweepPlan {
  settings: readonly DebounceSetting[];
  /** Presses of each switch model. */
  trains: readonly { name: string; train: Presses }[];
  periodUs: number;
  /** Readings come up to so much later than planned. */
  jitterUs: number;
  hands: Hands;
  seed: number;
}

/** One setting on one switch model. */
export interface SweepRow extends Tally {
  /** Places in the plan's lists. */
  setting: number;
  train: number;
  falseOdds: Odds;
  missedOdds: Odds;
  fastestRepeatUs: number | null;
  rejectedSpikeUs: number;
  bytes: number;
  operations: number;
}

/** How many protections of a grid: from half a period to the longest bounce there is, each a little longer. */
export const gridSteps = 40;
const gridFromUs = 500;
const gridToUs = 50_000;

/** The grid of protections against bounce, µs, geometric. */
export function gridUs(steps = gridSteps): number[] {
  return Array.from({ length: steps }, (_, n) =>
    Math.round(gridFromUs * exactExp(exactLn(gridToUs / gridFromUs) * (steps === 1 ? 0 : n / (steps - 1)))),
  );
}

/** Algorithm and parameters, whatever their order: the same for settings that do the same. */
const keyOf = ({ algorithm, params }: DebounceSetting) => canonicalJson({ algorithm, params });

export const sameSetting = (one: DebounceSetting, other: DebounceSetting) => keyOf(one) === keyOf(other);

/**
 * Settings of these algorithms, each with every protection of a grid; the same setting once.
 * @param releaseShare how much of the protection letting go gets; 1: as much as pressing
 */
export function gridOf(
  ids: readonly string[],
  periodUs: number,
  { steps = gridSteps, releaseShare = 1 }: { steps?: number; releaseShare?: number } = {},
): DebounceSetting[] {
  const made = ids.flatMap((id) => {
    const algorithm = algorithmOf(id);
    return gridUs(steps).map((us): DebounceSetting => {
      const params = algorithm.protecting(us, Math.round(us * releaseShare), periodUs);
      return { algorithm: id, params: params ?? { ...algorithm.defaults }, wholePort: false };
    });
  });
  return [...new Map(made.map((setting) => [keyOf(setting), setting])).values()];
}

/** Every algorithm's id, in the registry's order. */
export const everyAlgorithm: readonly string[] = algorithms.map(({ id }: SomeAlgorithm) => id);

/**
 * Every setting on every switch model, one row each, as they are measured: a caller may stop between two rows, and
 * count them. Rows come model by model.
 */
export function* sweep(plan: SweepPlan): Generator<SweepRow, void, void> {
  const { settings, trains, periodUs, hands } = plan;
  const alone = settings.map((setting) => ({
    fastestRepeatUs: fastestRepeatUs(setting, periodUs, hands),
    rejectedSpikeUs: rejectedSpikeUs(setting, periodUs),
    ...algorithmOf(setting.algorithm).cost(setting.params),
  }));
  const clock = new Clock(periodUs, plan.jitterUs, plan.seed);
  for (const [at, { train }] of trains.entries()) {
    const bench = new Bench(train, clock);
    for (const [index, setting] of settings.entries()) {
      const tally = bench.tally(setting);
      yield {
        ...tally,
        setting: index,
        train: at,
        falseOdds: rateOf(tally.falsePresses, tally.presses),
        missedOdds: shareOf(tally.missed, tally.presses),
        ...alone[index]!,
      };
    }
  }
}

/** False and missed together, per 1,000 presses, at most (95 % sure each). */
export const wrongAtMost = ({ falseOdds, missedOdds }: SweepRow) =>
  falseOdds.highPerMille + missedOdds.highPerMille;

/** False and missed together, per 1,000 presses, as counted. */
export const wrongCounted = ({ falseOdds, missedOdds }: SweepRow) => falseOdds.perMille + missedOdds.perMille;

/** The rows that no other beats in both wrong presses and median latency; by latency. */
export function frontierOf(rows: readonly SweepRow[]): SweepRow[] {
  const answering = rows
    .filter(({ press }) => press !== null)
    .sort((a, b) => a.press!.medianUs - b.press!.medianUs || wrongCounted(a) - wrongCounted(b));
  let least = Infinity;
  return answering.filter((row) => {
    const better = wrongCounted(row) < least;
    if (better) least = wrongCounted(row);
    return better;
  });
}
