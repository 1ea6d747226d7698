import { clamp } from '../kernel/index.ts';

/** Farther out than any display reaches; places are held inside, so that lines are worked out in 32 bits. */
const farPx = 8_191;
export const near = (place: number): number => clamp(place, -farPx, farPx);
