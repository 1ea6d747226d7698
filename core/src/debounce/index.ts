export type { DebounceAlgorithm, DebounceState, SwallowReason } from './algorithm.ts';
export { algorithms } from './registry.ts';
export { algorithmOf, defaultSetting, settingFaults } from './setting.ts';
export { cleanEdges } from './clean.ts';
export { measureSetting, type Measure } from './measure.ts';
