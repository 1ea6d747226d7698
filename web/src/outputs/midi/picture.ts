import type { Picture } from '../picture.ts';
import { AtTheOtherEnd } from './AtTheOtherEnd.tsx';

export const midi: Picture<'midi'> = { Shown: AtTheOtherEnd, wide: false };
