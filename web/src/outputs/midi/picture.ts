import type { Picture } from '../picture.ts';
import { SentLine } from './SentLine.tsx';

export const midi: Picture<'midi'> = { Shown: SentLine, wide: false };
