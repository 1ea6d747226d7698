import type { Picture } from '../picture.ts';
import { LightsInHand } from './LightsInHand.tsx';

export const lights: Picture<'lights'> = { Shown: LightsInHand, wide: false };
