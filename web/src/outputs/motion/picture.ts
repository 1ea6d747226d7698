import type { Picture } from '../picture.ts';
import { Mover } from './Mover.tsx';

export const servo: Picture<'servo'> = { Shown: Mover, wide: false };
export const motor: Picture<'motor'> = { Shown: Mover, wide: false };
