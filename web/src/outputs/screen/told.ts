import type { EntryOf } from '@hum-lever/core';
import { band, type ToldBy } from '../told.ts';

/** A display as it was told last: in characters, on a page, and how bright; nothing: never yet. */
interface Known {
  rows?: readonly (string | undefined)[];
  /** null: no page. */
  texts?: readonly string[] | null;
  percent?: number;
}

function known(was: Known = {}, entry: EntryOf<'text' | 'screen' | 'shining'>): Known {
  if (entry.lane === 'shining') return { ...was, percent: entry.percent };
  if (entry.lane === 'screen') return { ...was, texts: entry.pageId === null ? null : entry.texts };
  const rows = [...(was.rows ?? [])];
  rows[entry.row] = entry.text.trim();
  return { ...was, rows };
}

const full = 100;

/** All that can be read on a display as one line, and how bright it is where it is not as usual. */
const display = band<EntryOf<'text' | 'screen' | 'shining'>, Known>(
  known,
  ({ rows = [], texts, percent = full }) => {
    const read = texts
      ? texts.join(' · ')
      : rows.filter((row) => row !== undefined && row !== '').join(' / ');
    const light = percent === full ? [] : [percent === 0 ? 'dark' : `at ${percent}\u202f%`];
    return {
      text: [...(read === '' ? [] : [read]), ...light].join(', '),
      dim: percent === 0 || ((texts ?? null) === null && read === ''),
    };
  },
);

export const text: ToldBy<'text' | 'shining'> = {
  text: { say: ({ row, text: shown }, name) => `${name}, row ${row + 1}: “${shown}”.`, strip: display },
  shining: {
    say: ({ percent, colour }, name) =>
      percent === 0
        ? `${name} is dark.`
        : `${name} shines at ${percent}\u202f%${colour === null ? '' : `, ${colour}`}.`,
    strip: display,
  },
};

export const screen: ToldBy<'screen'> = {
  screen: {
    say: ({ pageId, texts }, name) => {
      if (pageId === null) return `${name} shows no page.`;
      return texts.length === 0 ? `${name} shows another picture.` : `${name} shows “${texts.join(' · ')}”.`;
    },
    strip: display,
  },
};
