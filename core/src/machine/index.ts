export { Machine } from './machine.ts';
export { replay } from './replay.ts';
export type { MachineState, Shown, Stimulus, Touch } from './state.ts';
export type { EntryOf, Lane, TraceEntry } from './trace.ts';
