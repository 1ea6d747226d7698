import type { EntryOf } from '@hum-lever/core';
import { showDuration } from '../../shared/units.ts';
import { band, type ToldBy } from '../told.ts';

type Entry = EntryOf<'light' | 'colour'>;

/** A light as it was told last; nothing: never yet. */
interface Lit {
  light?: EntryOf<'light'>['light'];
  colour?: string;
}

const lit = band<Entry, Lit>(
  (was, entry) =>
    entry.lane === 'light' ? { ...was, light: entry.light } : { ...was, colour: entry.colour },
  // A dimmed lamp changes often.
  ({ light = { mode: 'off' }, colour }) => {
    const does = light.mode === 'level' ? `${light.levelPercent}\u202f%` : light.mode;
    const dim = light.mode === 'off';
    return { text: dim || colour === undefined ? does : `${does}, ${colour}`, dim };
  },
);

function lightWords({ light }: EntryOf<'light'>): string {
  if (light.mode === 'blink') return `blinks every ${showDuration(light.periodUs)}`;
  if (light.mode === 'level') return `at ${light.levelPercent}\u202f%`;
  if (light.mode === 'pattern') return `shows ${light.steps}, a step every ${showDuration(light.stepUs)}`;
  if (light.mode === 'fade')
    return `fades to ${light.levelPercent}\u202f% over ${showDuration(light.overUs)}`;
  return light.mode;
}

export const light: ToldBy<'light' | 'colour'> = {
  light: { say: (entry, name) => `${name}: ${lightWords(entry)}.`, strip: lit },
  colour: { say: ({ colour }, name) => `${name} turns ${colour}.`, strip: lit },
};
