import type { Effort } from '@hum-lever/core';
import { count } from '../../../shared/index.ts';

const tenths = (number: number): string => String(Math.round(number * 10) / 10);
const seconds = (timeUs: number): string => `${(timeUs / 1_000_000).toFixed(1)}\u202fs`;

/** “4 · 3.1 s”: presses, holds and detents, and how long they take. */
export const effortWords = ({ presses, timeUs }: Effort): string =>
  `${tenths(presses)}\u00a0·\u00a0${seconds(timeUs)}`;

/** The same as it is read aloud. */
export const effortAloud = ({ presses, timeUs }: Effort, to: number | null = null): string =>
  `${count(Math.round(presses), 'press', 'presses')}, ${seconds(timeUs)}${to === null ? '' : `, to ${to}`}`;
