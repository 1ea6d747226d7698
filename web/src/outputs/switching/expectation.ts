import type { LineLevel } from '@hum-lever/core';
import type { Expected } from '../expected.ts';
import { levelWords } from './words.ts';

export const line: Expected<'line'> = {
  fresh: (outputId) => ({ kind: 'line', outputId, level: 'on' }),
  wanted: ({ level }, name) => `${name} is ${levelWords[level]}`,
  came: (value) => levelWords[value as LineLevel],
};
