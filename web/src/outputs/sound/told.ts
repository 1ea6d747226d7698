import { noteName, type EntryOf } from '@hum-lever/core';
import { showHz } from '../../shared/units.ts';
import { band, type ToldBy } from '../told.ts';

export const tone: ToldBy<'tone' | 'unheard'> = {
  tone: {
    say: ({ hz }, name) => `${name}: ${showHz(hz)}.`,
    strip: band<EntryOf<'tone'>, number>(
      (_was, { hz }) => hz,
      (hz) => ({ text: hz === 0 ? '' : `${hz} Hz`, dim: hz === 0 }),
    ),
  },
  unheard: {
    say: ({ note }, name) =>
      `${noteName(note)} of a tune of ${name} begins and is not heard: something else has the sounder.`,
    strip: ({ note }) => `(${noteName(note)})`,
  },
};
