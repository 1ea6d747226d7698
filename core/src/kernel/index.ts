export { cNames } from './cNames.ts';
export { noiseAt, normalAt, unitAt } from './noise.ts';
export { clamp, exactExp, exactLn, exactSinDegrees } from './exact.ts';
export { emptyQueue, keepOnly, nextDue, schedule, scheduleAs, takeNext, type QueueState } from './queue.ts';
export {
  beginMoment,
  blame,
  freshWork,
  momentWork,
  mostFrequent,
  mostPlanned,
  mostRounds,
  mostTimers,
  partNs,
  renew,
  secondWork,
  spend,
  standsStill,
  tallyBelow,
  StandsStill,
  workSoFar,
  worth,
  type Cause,
  type CauseKind,
  type Excess,
  type Standstill,
  type Work,
} from './work.ts';
