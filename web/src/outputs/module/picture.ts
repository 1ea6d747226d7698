import type { Picture } from '../picture.ts';
import { SettingInHand } from './SettingInHand.tsx';

export const setting: Picture<'setting'> = { Shown: SettingInHand, wide: false };
