import type { EntryOf } from '@hum-lever/core';
import { band, type ToldBy } from '../told.ts';
import { lineWords } from './words.ts';

type Entry = EntryOf<'switched'>;

export const line: ToldBy<'switched'> = {
  switched: {
    say: ({ level, carrierHz }, name) =>
      level === 'open' ? `${name} lets its line go.` : `${name} is ${lineWords(level, carrierHz)}.`,
    strip: band<Entry, Entry>(
      (_was, entry) => entry,
      ({ level, carrierHz }) => ({ text: lineWords(level, carrierHz), dim: level !== 'on' }),
    ),
  },
};
