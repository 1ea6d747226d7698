import { fetched } from '../fetched.tsx';
import type { Picture } from '../picture.ts';

const SettingInHand = fetched(() => import('./SettingInHand.tsx').then((it) => it.SettingInHand));

export const setting: Picture<'setting'> = { Shown: SettingInHand, wide: false };
