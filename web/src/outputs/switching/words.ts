import type { LineLevel } from '@hum-lever/core';
import { showHz } from '../../shared/units.ts';

export const levelWords: Readonly<Record<LineLevel, string>> = {
  on: 'on',
  off: 'off',
  open: 'let go (open)',
};
/** What a line is just now. */
export const lineWords = (level: LineLevel, carrierHz: number): string =>
  carrierHz > 0 ? `on at ${showHz(carrierHz)}` : levelWords[level];
