import { moveLine } from './moveLine.ts';

export const servo = moveLine('servo');
