import type { Expected } from '../expected.ts';
import { messageWords } from './words.ts';

export const midi: Expected<'midi'> = {
  fresh: (outputId) => ({ kind: 'midi', outputId, message: 'noteOn', channel: 1, first: 60, second: null }),
  wanted: ({ message, channel, first, second }, name) =>
    `${name} ${messageWords[message]} ${first}${second === null ? '' : ` at ${second}`} on channel ${channel}`,
  came: (value) => (value === '' ? 'nothing sent' : String(value)),
};
