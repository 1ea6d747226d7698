import type { EntryOf } from '@hum-lever/core';
import { band, type ToldBy } from '../told.ts';

export const text: ToldBy<'text'> = {
  text: {
    say: ({ row, text: shown }, name) => `${name}, row ${row + 1}: “${shown}”.`,
    // All rows of a display as one line.
    strip: band<EntryOf<'text'>, (string | undefined)[]>(
      (was = [], { row, text: shown }) => {
        const rows = [...was];
        rows[row] = shown.trim();
        return rows;
      },
      (rows) => {
        const line = rows.filter((row) => row !== undefined && row !== '').join(' / ');
        return { text: line, dim: line === '' };
      },
    ),
  },
};
