export {
  comparisons,
  trialLimits,
  trialSchema,
  type Comparison,
  type Expectation,
  type Trial,
} from './trial.schema.ts';
export { runTrial, TrialRun, type ExpectationResult, type TrialLimit, type TrialResult } from './run.ts';
export { recordedTrial, type Recording } from './recorded.ts';
