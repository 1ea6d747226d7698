export { checkSoon, useSnags } from './snagStore.ts';
