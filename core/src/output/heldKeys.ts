import type { Rows } from '../flow/index.ts';

/** Notes that a key has begun, and holds until it is let go: what was sent is remembered, not worked out again. */
export interface HeldKey {
  key: number;
  notes: readonly number[];
  /** Where they sound: a channel, or 0 where there is but one place. */
  channel: number;
}
/** In the order in which they were pressed, each key once. */
export type HeldKeys = readonly HeldKey[];

/** Keys are numbered 0 to 127, and so are notes. */
export const mostKeys = 128;
export const isKeyOrNote = (number: number): boolean => number >= 0 && number < mostKeys;

/**
 * Notes of a row, moved up.
 * @param row from 0; one that there is not has no notes
 * @param by semitones
 * @returns those between 0 and 127; a cell that is no such number itself is empty, and moving it does not fill it
 */
export const notesInRow = ({ cells, columns }: Rows, row: number, by: number): number[] => {
  const from = row * columns;
  if (row < 0 || from >= cells.length) return [];
  const notes = cells.slice(from, from + columns).filter(isKeyOrNote);
  return [...new Set(notes.map((note) => note + by))].filter(isKeyOrNote);
};

export const withKey = (held: HeldKeys, key: HeldKey): HeldKeys => [...withoutKey(held, key.key), key];
export const withoutKey = (held: HeldKeys, key: number): HeldKeys => held.filter((one) => one.key !== key);
export const keyHeld = (held: HeldKeys, key: number): HeldKey | undefined =>
  held.find((one) => one.key === key);

/** Whether one of these keys holds the note. */
export const isHeldBy = (held: HeldKeys, note: number, channel: number): boolean =>
  held.some((one) => one.channel === channel && one.notes.includes(note));
