import type { Word } from '@hum-lever/core';
import { edit } from '../../client/index.ts';

/** Puts words from the idea, or typed ones, on the wall; returns what there is to say about it. */
export function takeWord(words: readonly Word[], given: string): string {
  const text = given.replace(/\s+/g, ' ').trim();
  if (text === '') return 'Select a word or two in the idea first.';
  if (words.some((word) => word.text.toLowerCase() === text.toLowerCase()))
    return `“${text}” is on the wall already.`;
  return edit({ name: 'addWord', args: [text, 'keep'] }) ?? `“${text}” is on the wall.`;
}
