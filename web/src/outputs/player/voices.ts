import { fileVoice } from '@hum-lever/core';
import { ear } from '../voice.ts';

interface Heard {
  number: number | null;
  percent: number;
}

/** What is on the card is not known here: each file is a sound of its own that stands in for it. */
export const player = ear<'player', 'player', Heard>({
  lane: 'player',
  begin: () => ({ number: null, percent: 100 }),
  at: (_was, { number, percent }) => ({ number, percent }),
  hear(was, { what, number }) {
    if (what === 'begins') return { ...was, number };
    if (what === 'loud') return { ...was, percent: number };
    return what === 'ends' || what === 'stops' ? { ...was, number: null } : was;
  },
  voices: ({ number, percent }) =>
    number === null ? {} : { [`file ${number}`]: fileVoice(number, percent) },
});
