import type { FiguresOf } from '../figuresOf.ts';

/** Nothing of it is set by hand. */
export const servo: FiguresOf<'servo'> = () => null;
export const motor: FiguresOf<'motor'> = () => null;
