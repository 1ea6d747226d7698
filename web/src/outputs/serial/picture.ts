import type { Picture } from '../picture.ts';
import { TerminalInHand } from './TerminalInHand.tsx';

export const serial: Picture<'serial'> = { Shown: TerminalInHand, wide: true };
