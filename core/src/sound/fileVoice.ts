import { noteHz } from '../notes/index.ts';
import type { Voice } from './synth.ts';

/**
 * What stands in for a file of a card: a sound of its own for each number, a fifth apart so that neighbours are told
 * apart, within two octaves.
 * @param percent how loud
 */
export const fileVoice = (number: number, percent: number): Voice => ({
  hz: noteHz(57 + ((number * 7) % 24)),
  wave: 'triangle',
  loudness: percent / 100,
});
