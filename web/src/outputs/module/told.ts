import type { EntryOf } from '@hum-lever/core';
import { band, type ToldBy } from '../told.ts';

type Entry = EntryOf<'setting'>;
interface Now {
  value: number | null;
  coming: number | null;
}

export const setting: ToldBy<'setting'> = {
  setting: {
    say({ what, value }, name) {
      if (what === 'is') return `${name} is ${value}.`;
      if (what === 'begins') return `${name} is being told ${value}.`;
      return `${name} was told ${value} while too much waited for its bus already: it is lost.`;
    },
    strip: band<Entry, Now>(
      (was, { what, value }) => {
        const before = was ?? { value: null, coming: null };
        if (what === 'lost') return before;
        return what === 'is' ? { value, coming: null } : { ...before, coming: value };
      },
      ({ value, coming }) => ({
        text: coming === null ? String(value) : `${value ?? ''} ← ${coming}`,
        dim: false,
      }),
    ),
  },
};
