import type { FiguresOf } from '../figuresOf.ts';

/** Nothing of it is set by hand. */
export const midi: FiguresOf<'midi'> = () => null;
