import type { OutputWhatOf } from '@hum-lever/core';
import type { Expected } from '../expected.ts';
import { moverUnits } from './units.ts';

const expected = <K extends 'servo' | 'motor'>(kind: K): Expected<K> => ({
  fresh: (outputId) => ({ kind, outputId, comparison: '=', to: 0 }) as unknown as OutputWhatOf<K>,
  wanted: ({ comparison, to }, name) => `${name} is told ${comparison} ${to}\u202f${moverUnits[kind]}`,
  came: (value) => `${value}\u202f${moverUnits[kind]}`,
});

export const servo = expected('servo');
export const motor = expected('motor');
