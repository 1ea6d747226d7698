import { clamp } from '../kernel/index.ts';

/** Words are apart by spaces, commas, colons and equals signs. */
const between = /[\s,:=]+/;
/** So many numbers of a line can be read by a rule. */
const mostCarried = 3;

/** Whether a line that came in is one that is waited for. @param word as it stands in the line; null: any line */
export const isHeard = (line: string, word: string | null): boolean =>
  word === null || line.split(between).includes(word);

/** The first whole numbers of a line, held inside 32 bits: the 42 of `volume 42`. */
export const numbersIn = (line: string): number[] =>
  (line.match(/-?\d+/g) ?? [])
    .slice(0, mostCarried)
    .map((digits) => clamp(Number(digits), -0x8000_0000, 0x7fff_ffff));
