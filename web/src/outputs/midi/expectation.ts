import { isSync } from '@hum-lever/core';
import type { Expected } from '../expected.ts';
import { sentWords } from './words.ts';

export const midi: Expected<'midi'> = {
  fresh: (outputId) => ({ kind: 'midi', outputId, message: 'noteOn', channel: 1, first: 60, second: null }),
  wanted: ({ message, channel, first, second }, name) =>
    isSync(message)
      ? `${name} ${sentWords[message]}`
      : `${name} ${sentWords[message]} ${first}${second === null ? '' : ` at ${second}`} on channel ${channel}`,
  came: (value) => (value === '' ? 'nothing sent' : String(value)),
};
