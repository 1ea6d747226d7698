import { fetched } from '../fetched.tsx';
import type { Picture } from '../picture.ts';

// With their fonts, and what draws with those.
const Display = fetched(() => import('./Display.tsx').then((it) => it.Display));
const ScreenInHand = fetched(() => import('./ScreenInHand.tsx').then((it) => it.ScreenInHand));

export const text: Picture<'text'> = { Shown: Display, wide: true };
export const screen: Picture<'screen'> = { Shown: ScreenInHand, wide: true };
