import type { Tune } from '../gadget/index.ts';
import { cNames } from '../kernel/index.ts';
import { tuneEncodings, tuneMemory, type TuneEncoding } from '../notes/index.ts';

/** How a reader of the bytes goes through them, in the words of whoever writes it. */
const about: Readonly<Record<TuneEncoding, readonly string[]>> = {
  pairs: [
    'A note is its number (60 is middle C; 128: a rest) and its length in steps: seven bits a byte, the lowest first,',
    'the last one below 128. In front of a note: 129 and the steps of a slide, 130 and the cents of a vibrato,',
    '131, how many and which semitones above it for a broken chord, before these 133 and how loud it is in %. 255 ends the',
    'voice.',
  ],
  single: [
    'First how many notes it uses and which, how many lengths and which (seven bits a byte, the last one below 128), and',
    'how many bytes follow. Of each of those the upper five bits say which note, from 1 (0: a rest), the lower three',
    'which length, from 0.',
  ],
  phrases: [
    'A note is its number (60 is middle C; 128: a rest) and its length in steps: seven bits a byte, the lowest first,',
    'the last one below 128. In front of a note: 129 and the steps of a slide, 130 and the cents of a vibrato,',
    '131, how many and which semitones above it for a broken chord, before these 133 and how loud it is in %. 132, how far',
    'back and how many notes and rests: what was there comes again. 255 ends the voice.',
  ],
};
const perLine = 16;
/** Numbers of a table, some to a line. */
export const tableLines = (numbers: readonly number[]): string[] =>
  Array.from(
    { length: Math.ceil(numbers.length / perLine) },
    (_, n) => `  ${numbers.slice(n * perLine, (n + 1) * perLine).join(', ')},`,
  );

/** Nothing in a comment ends it, and no line of it joins the next. */
export const said = (text: string): string => text.replace(/[*\\/?]/g, ' ');

/**
 * Voices of a tune as tables of bytes in C99, in the shortest way that all of them go into.
 * @returns a text that compiles by itself
 */
export function printTuneTable(tune: Tune): string {
  const { best } = tuneMemory(tune);
  const named = cNames();
  const base = named(tune.name);
  const { beatsPerMinute, stepsPerBeat, swingPercent, heldPercent, sections, againFrom } = tune;
  const voices = tune.voices.flatMap(({ name, notes }) => {
    const bytes = tuneEncodings[best].write(notes)!;
    return [
      '',
      `/* ${said(name)} */`,
      `static const unsigned char ${named(`${base} ${name}`)}[${bytes.length}] = {`,
      ...tableLines(bytes),
      '};',
    ];
  });
  const played = sections.map(({ name, steps, times }) => `${said(name)} of ${steps} steps, ${times} times`);
  return [
    `/* ${said(tune.name)}: ${beatsPerMinute} beats a minute, ${stepsPerBeat} steps a beat; of two steps the first takes`,
    `   ${swingPercent} %; a note is held for ${heldPercent} % of its length. Sections: ${played.join('; ')}.`,
    `   ${againFrom === null ? 'Then it is over.' : `Then it goes on with ${said(sections[againFrom]!.name)}.`}`,
    ...about[best].map((line) => `   ${line}`),
    '*/',
    ...voices,
    '',
  ].join('\n');
}
