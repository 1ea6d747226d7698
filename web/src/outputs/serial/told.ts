import type { EntryOf } from '@hum-lever/core';
import { count } from '../../shared/units.ts';
import { band, type ToldBy } from '../told.ts';

type Entry = EntryOf<'serial'>;

export const serial: ToldBy<'serial'> = {
  serial: {
    say: (entry, name) =>
      entry.what === 'begins'
        ? `${name} begins to send “${entry.text}”, ${count(entry.bytes, 'byte')}.`
        : entry.what === 'ends'
          ? `“${entry.text}” has arrived over ${name}.`
          : `“${entry.text}” was lost: ${name} had no room for ${count(entry.bytes, 'byte')} more, or no power.`,
    strip: band<Entry, { text: string; dim: boolean }>(
      (was, entry) =>
        entry.what === 'lost'
          ? { text: `lost: ${entry.text}`, dim: was?.dim ?? true }
          : { text: entry.what === 'begins' ? entry.text : '', dim: entry.what === 'ends' },
      (is) => is,
    ),
  },
};
