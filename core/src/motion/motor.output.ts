import { defineMoved } from './moved.ts';

export const motor = defineMoved(
  'motor',
  () => 100,
  (percent) => percent > 0,
);
