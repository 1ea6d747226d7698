import { defineMoved } from './moved.ts';

/** It holds its angle without drawing much: what it draws while it turns is not followed. */
export const servo = defineMoved(
  'servo',
  ({ reachDeg }) => reachDeg,
  () => false,
);
