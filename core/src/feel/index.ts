export { labSeed, measureOn, trainOf, type MeasuredTally } from './presses.ts';
export {
  limitsOf,
  protectionOf,
  profileOf,
  recommend,
  schools,
  type Candidate,
  type Limits,
  type Recommendation,
  type School,
} from './recommend.ts';
export {
  adviseEncoder,
  neededPeriodUs,
  speedRow,
  speedsOf,
  tryTurn,
  type EncoderAdvice,
  type SpeedRow,
  type Turned,
} from './turning.ts';
export {
  bandsNeeded,
  flickersPerMinute,
  knobFacts,
  middleShare,
  bandedAndSteady,
  noiseBehind,
  quietReading,
  seenAMinute,
  steadied,
  responseOf,
  type KnobFacts,
} from './knobs.ts';
export {
  cutTrace,
  distanceOf,
  fitContact,
  usualQuietUs,
  type CutTrace,
  type Fit,
  type Fitted,
  type WireTrace,
} from './capture.ts';
export { capturePractice } from './captureDevice.ts';
export { keypadsOf, readKeypad, rolloverOf, type Keypad } from './keypad.ts';
export { mostPresses, planSweep, sweptModels, usualWish, type SweepWish } from './sweepPlan.ts';
export { handsOf, leastPresses, type MadePress } from './hands.ts';
export { adviseCodes } from './codes.ts';
