import { moveLine } from './moveLine.ts';

export const motor = moveLine('motor');
