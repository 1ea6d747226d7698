export { Machine, type Adopted } from './machine.ts';
export type { Waiting } from './adopt.ts';
export { replay } from './replay.ts';
export {
  holdingBy,
  isHeldNow,
  namesHeld,
  litBy,
  litPlaces,
  looksOf,
  type OutputEntry,
  type OutputLane,
  type OutputState,
  type OutputStateOf,
} from './outputKinds.ts';
export { outputStateOf } from './outputState.ts';
export { wholeGadget } from './state.ts';
export type { MachineState, Shown, ShownValue, Stimulus, Touch } from './state.ts';
export type { EntryOf, Lane, TraceEntry } from './trace.ts';
export { nowActiveIn, type NowActive } from './nowActive.ts';
export { followRegions, regionsOf, type Region, type Visit } from './regions.ts';
export { whyNot, type GuardPart, type WhyNot } from './whyNot.ts';
