export { fieldSize, type Computer } from './computer.ts';
export { heldKeys, type HeldKey } from './held.ts';
export type { Typing } from './typist.output.ts';
