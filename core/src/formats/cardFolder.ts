import { zipSync, type Zippable } from 'fflate';
import type { OutputOf } from '../gadget/index.ts';
import { fileVoice, renderMoments } from '../sound/index.ts';
import { printWav } from './wav.ts';

/** Enough to be told apart by ear, and small. */
const sampleRate = 8_000;
/** What stands in for a longer file stops there: its own will take its place anyway. */
const longestUs = 20_000_000;

/** “007-Heavy-rain.wav”: the number that it is told by, and its name as every card has it. */
export const cardName = (number: number, name: string): string => {
  const plain = name
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 24);
  return `${String(number).padStart(3, '0')}${plain === '' ? '' : `-${plain}`}.wav`;
};

/**
 * The folder of a player's card as a ZIP: for each file a sound that stands in for it, under its number, and a list of
 * all of them. The maker puts their own in their places.
 */
export function printCardFolder({
  name,
  files,
}: Pick<OutputOf<'player'>, 'name' | 'files'>): Uint8Array<ArrayBuffer> {
  const sorted = [...files].sort((a, b) => a.number - b.number);
  const list = sorted.map((file) =>
    [cardName(file.number, file.name), file.name, `${(file.lengthUs / 1_000_000).toFixed(3)} s`].join('\t'),
  );
  const about = `What is on the card of ${name}. Each sound stands in for yours: put that in its place, under the same number.`;
  const folder: Zippable = { 'list.txt': new TextEncoder().encode([about, ...list, ''].join('\r\n')) };
  for (const { number, name: title, lengthUs } of sorted) {
    const upToUs = Math.min(lengthUs, longestUs);
    const sounding = { file: fileVoice(number, 100) };
    folder[cardName(number, title)] = printWav(
      renderMoments([{ atUs: 0, sounding }], upToUs, sampleRate, 0.5),
      sampleRate,
    );
  }
  // The same card gives the same file: no time of its making is in it.
  return zipSync(folder, { mtime: '1980-01-01T00:00:00' }) as Uint8Array<ArrayBuffer>;
}
