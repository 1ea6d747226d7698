import type { Picture } from '../picture.ts';
import { LightInHand } from './LightInHand.tsx';

export const light: Picture<'light'> = { Shown: LightInHand, wide: false };
