export { darkLight, lightLevel, safelyShown, slowestSafeBlinkUs, type LitLight } from './level.ts';
