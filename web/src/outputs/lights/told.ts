import { laidOut, nameOf, type EntryOf, type Rgb } from '@hum-lever/core';
import { showDuration } from '../../shared/units.ts';
import { band, type ToldBy } from '../told.ts';

type Entry = EntryOf<'lights' | 'lightsGoing'>;

const lightsFrom = (first: number, last: number) =>
  first === last ? `light ${first}` : `lights ${first} to ${last}`;

/** `light 4 fades`, `lights 0 to 3 fade`. */
const doing = ({ first, last }: { first: number; last: number }, verb: string) =>
  `${lightsFrom(first, last)} ${verb}${first === last ? 's' : ''}`;

/** `3 red, 9 dark`. */
function runWords(runs: readonly number[]): string {
  const named = laidOut(runs).map(nameOf);
  const words: string[] = [];
  for (let n = 0; n < named.length;) {
    const end = named.findIndex((name, at) => at > n && name !== named[n]);
    const until = end < 0 ? named.length : end;
    words.push(`${until - n} ${named[n] === 'off' ? 'dark' : named[n]}`);
    n = until;
  }
  return words.join(', ');
}

/** Lights as they were told last, and what goes on over them. */
interface Known {
  colours: readonly Rgb[];
  going: string;
}

const known = band<Entry, Known>(
  (was, entry) => {
    const colours = [...(was?.colours ?? [])];
    if (entry.lane === 'lights') {
      laidOut(entry.runs).forEach((colour, n) => (colours[entry.first + n] = colour));
      return { colours: Array.from(colours, (colour) => colour ?? 0), going: '' };
    }
    if (!('through' in entry)) return { colours, going: 'blinking' };
    for (let n = entry.first; n <= entry.last; n += 1) colours[n] = entry.through.at(-1)!;
    return { colours: Array.from(colours, (colour) => colour ?? 0), going: 'fading' };
  },
  ({ colours, going }) => {
    const lit = colours.filter((colour) => colour !== 0);
    const names = new Set(lit.map(nameOf));
    const what =
      lit.length === 0 ? 'dark' : `${lit.length} lit${names.size === 1 ? `, ${[...names][0]}` : ''}`;
    return { text: [what, going].filter(Boolean).join(', '), dim: lit.length === 0 && going === '' };
  },
);

export const lights: ToldBy<'lights' | 'lightsGoing' | 'outside'> = {
  lights: {
    say: ({ first, runs }, name) => `${name}, from light ${first} on: ${runWords(runs)}.`,
    strip: known,
  },
  lightsGoing: {
    say: (entry, name) =>
      'through' in entry
        ? `${name}: ${doing(entry, 'fade')} to ${entry.through.map((one) => (one === 0 ? 'dark' : nameOf(one))).join(', then ')} over ${showDuration(entry.overUs)}.`
        : `${name}: ${doing(entry, 'blink')} every ${showDuration(entry.blinkUs)}.`,
    strip: known,
  },
  outside: {
    say: ({ first, last }, name) =>
      first > last
        ? `${name} was told lights ${first} to ${last}, which run the wrong way: nothing was lit.`
        : `${name} was told ${lightsFrom(first, last)}, which it does not have: nothing was lit.`,
    strip: ({ first, last }) => `no ${first === last ? first : `${first} to ${last}`}`,
  },
};
