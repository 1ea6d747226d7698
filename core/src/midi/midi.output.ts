import type { MidiMessage } from '../gadget/index.ts';
import {
  defineOutput,
  noJobs,
  plansNothing,
  sentIsOut,
  withLine,
  type Holding,
  type Sent,
} from '../output/index.ts';
import { endsAllNotes, messageBytes, sevenBits } from './message.ts';

/** What was sent last, and which notes sound at the other end: `channel note`. */
export interface SentMidi extends Sent<'midi'> {
  sounding: readonly string[];
}

export type MidiEntry = { lane: 'midi'; bytes: number[] };

/** Bytes as a wire's reader writes them. */
export const hexBytes = (bytes: readonly number[]): string =>
  bytes.map((byte) => byte.toString(16).padStart(2, '0')).join(' ');

interface Message {
  message: MidiMessage;
  channel: number;
  /** Of an action as text: only its order knows which note. */
  first: number | string;
  second: number | string;
}

/** What a message does to the notes that sound. A note-on at velocity 0 is a note-off. */
function heldBy({ message, channel, first, second }: Message): Holding | null {
  const what = String(channel);
  if (message === 'program') return null;
  if (message === 'control') return endsAllNotes(Number(first)) ? { what, which: null, how: 'ends' } : null;
  const ends = message === 'noteOff' || Number(second) === 0;
  return { what, which: sevenBits(Number(first)), how: ends ? 'ends' : 'begins' };
}

function soundingAfter({ sounding }: SentMidi, change: Holding | null): readonly string[] {
  if (!change) return sounding;
  const { what, which, how } = change;
  const isIt =
    which === null
      ? (note: string) => note.startsWith(`${what} `)
      : (note: string) => note === `${what} ${which}`;
  const left = sounding.filter((note) => !isIt(note));
  return how === 'begins' ? [...left, `${what} ${which}`] : left;
}

export const midi = defineOutput<'midi', SentMidi, MidiEntry, never, null>({
  kind: 'midi',
  prepare: () => null,
  dark: () => ({ kind: 'midi', lines: [], sounding: [] }),
  apply(was, order, on) {
    const bytes = messageBytes(order.message, order.channel, order.first, order.second);
    on.trace({ atUs: on.nowUs, lane: 'midi', id: on.id, bytes });
    return { ...was, ...withLine(was, hexBytes(bytes)), sounding: soundingAfter(was, heldBy(order)) };
  },
  jobs: () => noJobs,
  ...plansNothing,
  ...sentIsOut,
  held: {
    by: heldBy,
    now: ({ sounding }, channel) => sounding.some((note) => note.startsWith(`${channel} `)),
  },
});
