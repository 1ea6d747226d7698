import type { Picture } from '../picture.ts';
import { Display } from './Display.tsx';

export const text: Picture<'text'> = { Shown: Display, wide: true };
