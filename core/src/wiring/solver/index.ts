export type { Candidate, Choice, Claim, Demand, Problem, Solution } from './problem.ts';
export { solve } from './solve.ts';
export { explain, type Conflict } from './explain.ts';
export { untangle } from './untangle.ts';
