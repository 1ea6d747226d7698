import type { Picture } from '../picture.ts';
import { Sounder } from './Sounder.tsx';

export const tone: Picture<'tone'> = { Shown: Sounder, wide: false };
