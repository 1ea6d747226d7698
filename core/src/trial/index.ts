export { comparisons, type Comparison } from '../output/index.ts';
export { expectedKinds, isOutputWhat, type OutputWhat, type OutputWhatOf } from './whatOutput.ts';
export { trialLimits, trialSchema, type Expectation, type Trial } from './trial.schema.ts';
export { runTrial, TrialRun, type ExpectationResult, type TrialLimit, type TrialResult } from './run.ts';
export { recordedTrial, type Recording } from './recorded.ts';
export { latenciesOf, latencyParts, type Latencies, type Latency, type LatencyPart } from './latency.ts';
export { stretchTrial } from './stretch.ts';
