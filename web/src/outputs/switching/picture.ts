import type { Picture } from '../picture.ts';
import { SwitchInHand } from './SwitchInHand.tsx';

export const line: Picture<'line'> = { Shown: SwitchInHand, wide: false };
