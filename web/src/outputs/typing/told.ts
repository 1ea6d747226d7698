import type { EntryOf } from '@hum-lever/core';
import { band, type ToldBy } from '../told.ts';
import { keyWords } from './keys.ts';

/** Keys that are down. */
type Held = readonly string[];
const held = band<EntryOf<'key'>, Held>(
  (was = [], { key, down }) => (down ? [...was, key] : was.filter((one) => one !== key)),
  (keys) => ({ text: keys.map(keyWords).join(' + '), dim: keys.length === 0 }),
);

export const typist: ToldBy<'typed' | 'key'> = {
  typed: { say: ({ text }, name) => `${name} typed “${text}”.`, strip: ({ text }) => text },
  key: {
    say: ({ key, down, held: count }, name) =>
      down
        ? `${name} presses ${keyWords(key)}${count > 1 ? `, with ${count - 1} held already` : ''}.`
        : `${name} lets go of ${keyWords(key)}.`,
    strip: held,
  },
};
