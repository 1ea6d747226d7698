export {
  defineOutput,
  plansNothing,
  type Holding,
  type OutputDefinition,
  type Placed,
  type Stage,
} from './definition.ts';
export {
  comparisons,
  compares,
  defineExpectation,
  expectationSchemaOf,
  type Comparison,
  type OutputExpectation,
} from './expectation.ts';
export {
  isHeldBy,
  isKeyOrNote,
  keyHeld,
  mostKeys,
  notesInRow,
  withKey,
  withoutKey,
  type HeldKey,
  type HeldKeys,
} from './heldKeys.ts';
export { inBackground, noJobs, type Job } from './job.ts';
export { sentIsOut, withLine, type Sent } from './sent.ts';
