import * as z from 'zod';
import { constant, outputDocument, template } from '../gadget/outputDocument.ts';

const digits = ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'].map((one) => `digit${one}`);
const letters = [...'abcdefghijklmnopqrstuvwxyz'];
const functions = Array.from({ length: 12 }, (_, n) => `f${n + 1}`);
export const modifiers = ['shift', 'control', 'alt', 'system'] as const;
export const arrows = ['up', 'down', 'left', 'right'] as const;

/** Keys by their place on a keyboard; which character a letter's place makes is the computer's layout to say. */
export const computerKeys: readonly string[] = [
  ...['enter', 'escape', 'tab', 'space', 'backspace', 'delete', 'insert'],
  ...['home', 'end', 'pageUp', 'pageDown'],
  ...arrows,
  ...modifiers,
  ...letters,
  ...digits,
  ...functions,
  ...['mute', 'louder', 'softer', 'play', 'next', 'previous'],
];
const known = new Set(computerKeys);

/** By its place, or a character in itself: `'é`, found on the layout that text is typed by. */
const keySchema = z
  .string()
  .refine(
    (key) => known.has(key) || /^'\S$/u.test(key),
    'expected the name of a key, or a single character behind an apostrophe',
  );

/** Types into a computer, as on a keyboard. */
export const typist = outputDocument(
  'typist',
  {},
  {
    type: { text: template },
    /** Down and up are told apart, so that several can be held; a tap is both. */
    key: { key: constant(keySchema), how: constant(z.enum(['down', 'up', 'tap'])) },
    /** Whatever is held goes up. */
    keysUp: {},
  },
  { reaches: 'machines', fresh: () => ({}) },
);
