import { fetched } from '../fetched.tsx';
import type { Picture } from '../picture.ts';

const LightsInHand = fetched(() => import('./LightsInHand.tsx').then((it) => it.LightsInHand));

export const lights: Picture<'lights'> = { Shown: LightsInHand, wide: false };
