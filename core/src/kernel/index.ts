export { noiseAt, normalAt, unitAt } from './noise.ts';
export { exactExp, exactLn } from './exact.ts';
export { emptyQueue, nextDue, schedule, takeNext, type QueueState } from './queue.ts';
export { maxEventsAtOnce, maxRoundsAtOnce, NeverAtRest } from './bound.ts';
