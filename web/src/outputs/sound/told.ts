import { noteName, type EntryOf } from '@hum-lever/core';
import { showHz } from '../../shared/units.ts';
import { band, type ToldBy } from '../told.ts';

/** What sounds, and of which tune. */
interface Sounds {
  hz: number;
  tune: string;
}

const sounds = band<EntryOf<'tone' | 'tune'>, Sounds>(
  (was = { hz: 0, tune: '' }, entry) =>
    entry.lane === 'tone' ? { ...was, hz: entry.hz } : { ...was, tune: entry.name },
  ({ hz, tune }) => ({
    text: [...(hz === 0 ? [] : [`${hz} Hz`]), ...(tune === '' ? [] : [`“${tune}”`])].join(', '),
    dim: hz === 0,
  }),
);

export const tone: ToldBy<'tone' | 'tune' | 'unheard'> = {
  tone: {
    say: ({ hz, percent }, name) =>
      `${name}: ${showHz(hz)}${percent === undefined ? '' : ` at ${percent}\u202f%`}.`,
    strip: sounds,
  },
  tune: {
    say: ({ tuneId, name: tune }, name) =>
      tuneId === null ? `${name} is through with its tune.` : `${name} begins “${tune}”.`,
    strip: sounds,
  },
  unheard: {
    say: ({ note }, name) =>
      `${noteName(note)} of a tune of ${name} begins and is not heard: something else has the sounder.`,
    strip: ({ note }) => `(${noteName(note)})`,
  },
};
