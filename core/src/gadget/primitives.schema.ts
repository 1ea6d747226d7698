import * as z from 'zod';
import { limits } from './limits.ts';

/** Red, green and blue, two digits each. */
export const colourSchema = z
  .string()
  .regex(/^#[0-9a-f]{6}$/, 'expected a colour as # and six digits of 0 to 9 and a to f');

/** Short stable id: lower-case letter, then letters, digits or underscores. Ids are never shown to the maker. */
export const idSchema = z
  .string()
  .regex(
    /^[a-z][a-z0-9_]{0,23}$/,
    'expected a short id such as "s3" (a lower-case letter, then letters or digits)',
  );

// Control characters would let a name break out of a log line or hide itself on a label.
const printable = /^[^\u0000-\u001f\u007f\u2028\u2029]*$/;

/** Half a character, as a cut in its middle leaves it. */
const halved = /[\ud800-\udfff]/u;
/** Marks that turn the writing around for what follows: a name with one in it changes the text beside it. */
const turning = /[\u202a-\u202e\u2066-\u2069]/;
/** Format characters, spaces and letters that are drawn as nothing. */
const unseen = /[\p{Cf}\p{Z}\p{Cc}\u115f\u1160\u2800\u3164\uffa0\ufe00-\ufe0f]/gu;

/** Whether something of it can be seen. */
export const canBeSeen = (text: string): boolean => text.replace(unseen, '') !== '';

/** Text without halves of characters and without marks that turn the writing around. */
export const readableText = (text: string): string =>
  text.replace(new RegExp(halved.source, 'gu'), '\ufffd').replace(new RegExp(turning.source, 'g'), '');

const readable = <S extends z.ZodString>(schema: S) =>
  schema
    .refine((text) => !halved.test(text), 'expected whole characters, got half of one')
    .refine((text) => !turning.test(text), 'expected no marks that turn the writing around');

/** One end of a part. */
export const terminalSchema = z
  .string()
  .regex(/^[a-z][a-z0-9-]{0,23}$/, 'expected the name of a terminal such as "out"');

/** A name for people: 1 to 80 characters that can be seen, no control characters, no space at either end. */
export const nameSchema = readable(
  z
    .string()
    .min(1, 'expected a name, got nothing')
    .max(limits.nameChars, `expected at most ${limits.nameChars} characters`)
    .regex(printable, 'expected no control characters'),
)
  .refine((name) => name === name.trim(), 'expected no space at the start or the end')
  .refine((name) => name === '' || canBeSeen(name), 'expected a name that can be seen');

/** Free text of several lines. */
export const proseSchema = readable(
  z.string().max(limits.textChars, `expected at most ${limits.textChars} characters`),
);

/** Text on one line, as a display shows it. */
export const lineSchema = (max: number) =>
  readable(
    z
      .string()
      .max(max, `expected at most ${max} characters`)
      .regex(printable, 'expected one line of plain text'),
  );

/** Whole number in a closed range. NaN, infinities and fractions are refused by name. */
export const wholeSchema = (min: number, max: number, unit = '') =>
  z
    .number(`expected a whole number from ${min} to ${max}${unit && ` ${unit}`}`)
    .int(`expected a whole number from ${min} to ${max}${unit && ` ${unit}`}`)
    .min(min, `expected at least ${min}${unit && ` ${unit}`}`)
    .max(max, `expected at most ${max}${unit && ` ${unit}`}`);

/** Duration in whole microseconds, 0 or `minUs` up to one hour. */
export const durationUsSchema = (minUs = 0) => wholeSchema(minUs, limits.timeUs, 'µs');

/** Signed 32-bit integer: what variables and expressions hold. */
export const int32Schema = wholeSchema(-2_147_483_648, 2_147_483_647);

/** Keyboard key that plays a control, as in KeyboardEvent.code; null: mouse and touch only. */
export const keySchema = z
  .string()
  .regex(/^[A-Za-z0-9]{1,24}$/, 'expected a key code such as "Space" or "KeyA"')
  .nullable();

/** Channels of MIDI, each once, in order; none stands for all sixteen. */
export const channelsSchema = z
  .array(wholeSchema(1, 16))
  .max(16, 'expected at most 16 channels')
  .refine(
    (channels) => channels.every((one, n) => n === 0 || one > channels[n - 1]!),
    'expected channels in order, each once',
  );
