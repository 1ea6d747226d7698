import { fetched } from '../fetched.tsx';
import type { Picture } from '../picture.ts';

const TerminalInHand = fetched(() => import('./TerminalInHand.tsx').then((it) => it.TerminalInHand));

export const serial: Picture<'serial'> = { Shown: TerminalInHand, wide: true };
