import { fetched } from '../fetched.tsx';
import type { Mover as Fetched } from './Mover.tsx';
import type { Picture } from '../picture.ts';

const Mover = fetched<Parameters<typeof Fetched>[0]>(() => import('./Mover.tsx').then((it) => it.Mover));

export const servo: Picture<'servo'> = { Shown: Mover, wide: false };
export const motor: Picture<'motor'> = { Shown: Mover, wide: false };
