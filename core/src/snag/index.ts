export { checkGadget, type CheckReport } from './check.ts';
export { heldOf } from './held.ts';
export { snagRules } from './registry.ts';
export { soundWays } from './soundWays.ts';
