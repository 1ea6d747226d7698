import type { EntryOf } from '@hum-lever/core';
import { band, type ToldBy } from '../told.ts';

export const player: ToldBy<'player'> = {
  player: {
    say(entry, name) {
      switch (entry.what) {
        case 'begins':
          return `${name} begins “${entry.name}”${entry.again ? ', over and over' : ''}.`;
        case 'ends':
          return `${name} is through with file ${entry.number}.`;
        case 'stops':
          return `${name} stops file ${entry.number}.`;
        case 'missing':
          return `${name} was told file ${entry.number}, which is not on its card.`;
        case 'lost':
          return `${name} was told something while too much waited for its line already: it is lost.`;
        case 'loud':
          return `${name} plays at ${entry.number}\u202f% from now on.`;
      }
    },
    strip: band<EntryOf<'player'>, string>(
      (was = '', entry) => {
        if (entry.what === 'begins') return `“${entry.name}”`;
        return entry.what === 'ends' || entry.what === 'stops' ? '' : was;
      },
      (is) => ({ text: is, dim: is === '' }),
    ),
  },
};
