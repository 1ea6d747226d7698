import type { Reading } from '@hum-lever/core';
import { showBytes, showCurrent, showDuration } from '../shared/units.ts';

const words: Readonly<Record<string, (value: number) => string>> = {
  data: (us) => `All of them are told in ${showDuration(us)}, one after the other.`,
  refresh: (hz) => `At most ${hz.toLocaleString('en')} pictures a second.`,
  deaf: (us) =>
    `While they are told, interrupts are shut off: for ${showDuration(us)} nothing else is heard.`,
  share: (perMille) => `Each light is on for ${perMille / 10}\u202f% of the time at most.`,
  average: (ua) => `On average each draws ${showCurrent(ua)}: that is how bright it looks.`,
  line: (ua) => `Up to ${showCurrent(ua)} flow through one line at once.`,
  serialLine: (us) => `A line of 24 characters takes ${showDuration(us)}.`,
  deafLine: (us) =>
    `Sent by software, it takes the whole chip: for ${showDuration(us)} a line nothing else is heard.`,
  serialRate: (hz) => `So a panel can be told ${hz} such lines a second at most; more wait, then are lost.`,
  typing: (hz) =>
    `Types up to ${hz} characters a second, by the places of a plain layout: another layout on the computer makes other characters of them.`,
  picture: (us) => `A whole picture takes ${showDuration(us)} over its bus.`,
  pictures: (hz) => `So it shows ${hz} of them a second at most, while the chip does nothing else.`,
  buffer: (bytes) => `A picture that is kept takes ${showBytes(bytes)} of the chip’s memory.`,
  rows: (us) => `Two rows of sixteen characters take ${showDuration(us)}.`,
  lineTime: (us) => `Each has its turn for ${showDuration(us)}.`,
};

/** One thing that follows from a part's figures, as a sentence. */
export const readingWords = ({ id, value }: Reading): string => words[id]!(value);
export const knownReadings: readonly string[] = Object.keys(words);
