export { turnAtOrAfter, turnsLost, type Sample } from './loop.ts';
