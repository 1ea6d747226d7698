export { checkGadget, type CheckReport } from './check.ts';
export { snagRules } from './registry.ts';
export { soundWays } from './soundWays.ts';
