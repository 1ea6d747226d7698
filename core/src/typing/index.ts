export { fieldSize, type Computer } from './computer.ts';
export type { Typing } from './typist.output.ts';
