import type { Picture } from '../picture.ts';
import { ComputerInHand } from './ComputerInHand.tsx';

export const typist: Picture<'typist'> = { Shown: ComputerInHand, wide: false };
