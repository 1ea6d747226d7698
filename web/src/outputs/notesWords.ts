import { chordOf, noteName } from '@hum-lever/core';

/** Notes by name, and behind them the chord that they are: “E4 G4 C5: C/E”. */
export function notesWords(notes: readonly number[]): string {
  const names = notes.map(noteName).join(' ');
  const chord = notes.length > 1 ? chordOf(notes) : null;
  return chord ? `${names}: ${chord.name}` : names;
}
