import type { EntryOf } from '@hum-lever/core';
import { count, showMessage } from '../../shared/units.ts';
import { meaning } from './meaning.ts';
import { band, type ToldBy } from '../told.ts';

/** What is on the wire until it is there. */
const onWire = band<EntryOf<'midi' | 'midiWire'>, { text: string; dim: boolean }>(
  (was, entry) => {
    const bytes = showMessage(entry.bytes);
    if (entry.lane === 'midi') return was && !was.dim ? { text: '', dim: true } : { text: bytes, dim: true };
    return entry.what === 'begins'
      ? { text: bytes, dim: false }
      : { text: `lost: ${bytes}`, dim: was?.dim ?? true };
  },
  (is) => is,
);

export const midi: ToldBy<'midi' | 'midiWire'> = {
  midi: {
    say: ({ bytes }, name) =>
      bytes.length === 0
        ? `At the other end of ${name} ${meaning(bytes)}.`
        : `${name} sent ${showMessage(bytes)}: ${meaning(bytes)}.`,
    strip: onWire,
  },
  midiWire: {
    say: ({ what, bytes, wireBytes }, name) =>
      what === 'begins'
        ? `${name} begins to send ${showMessage(bytes)}, ${count(wireBytes, 'byte')}.`
        : `${showMessage(bytes)} was lost: ${name} had no room for it, or no power.`,
    strip: onWire,
  },
};
