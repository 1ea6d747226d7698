import { fetched } from '../fetched.tsx';
import type { Picture } from '../picture.ts';

const ComputerInHand = fetched(() => import('./ComputerInHand.tsx').then((it) => it.ComputerInHand));

export const typist: Picture<'typist'> = { Shown: ComputerInHand, wide: false };
