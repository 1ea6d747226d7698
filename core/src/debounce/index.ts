export type { DebounceAlgorithm, DebounceState, FilterState, SwallowReason } from './algorithm.ts';
export { algorithmOf, algorithms, defaultSetting, settingFaults } from './setting.ts';
export { cleanEdges, pinEdges } from './clean.ts';
export { Clock, readEdges } from './readings.ts';
export { measureSetting } from './lab/measure.ts';
export { rateOf, shareOf, type Odds } from './lab/odds.ts';
export { type Spread } from './lab/spread.ts';
export { Bench, type Presses, type Tally } from './lab/tally.ts';
export { fastestRepeatUs, rejectedSpikeUs } from './lab/limits.ts';
export {
  everyAlgorithm,
  frontierOf,
  gridOf,
  sameSetting,
  sweep,
  wrongAtMost,
  wrongCounted,
  type SweepPlan,
  type SweepRow,
} from './lab/sweep.ts';
