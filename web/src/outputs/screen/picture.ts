import type { Picture } from '../picture.ts';
import { Display } from './Display.tsx';
import { ScreenInHand } from './ScreenInHand.tsx';

export const text: Picture<'text'> = { Shown: Display, wide: true };
export const screen: Picture<'screen'> = { Shown: ScreenInHand, wide: true };
