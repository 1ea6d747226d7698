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

export const screen: ToldBy<'screen'> = {
  screen: {
    say: ({ pageId, texts }, name) => {
      if (pageId === null) return `${name} shows no page.`;
      return texts.length === 0 ? `${name} shows another picture.` : `${name} shows “${texts.join(' · ')}”.`;
    },
    strip: band<EntryOf<'screen'>, readonly string[] | null>(
      (_was, { pageId, texts }) => (pageId === null ? null : texts),
      (texts) => ({ text: texts?.join(' · ') ?? '', dim: texts === null }),
    ),
  },
};
