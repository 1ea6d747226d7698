import { cents, noteHz, noteName } from '@hum-lever/core';

/** A4 is note 69 at 440 Hz. */
const nearestNote = (hz: number): number => Math.round(69 + 12 * Math.log2(hz / 440));

/** “A4”, or “A4 −12” where it is some cents beside it. */
export function pitchName(hz: number): string {
  const note = nearestNote(hz);
  if (note < 0 || note > 127) return '–';
  const off = Math.round(cents(hz, noteHz(note)));
  return `${noteName(note)}${off === 0 ? '' : ` ${signed(off)}`}`;
}

/** With a sign that is as wide as a digit. */
export const signed = (value: number): string => (value > 0 ? `+${value}` : String(value).replace('-', '−'));

/** Cents as they are written under a note: tenths below ten. */
export const centsWords = (off: number): string => {
  const shown = Math.abs(off) < 9.95 ? Math.round(off * 10) / 10 : Math.round(off);
  return shown === 0 ? '0' : signed(shown);
};

/** Semitones above A4, for what is drawn. */
export const semitones = (hz: number): number => 12 * Math.log2(hz / 440);
