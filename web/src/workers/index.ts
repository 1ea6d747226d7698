export { lab } from './lab.ts';
export { useReading } from './reading.ts';
export type { PlayedTrial } from './lab.worker.ts';
export { player, thinNow, traceNow, usePlayer, virtualNowUs } from './player.ts';
export { mostAheadUs } from './protocol.ts';
export { useAnswer } from './useAnswer.ts';
export { firstAt } from './firstAt.ts';
export { exploring } from './exploring.ts';
export type { Explored, ToldAnswer, ToldStep, ToldTask, ToldWay } from './explorer.worker.ts';
