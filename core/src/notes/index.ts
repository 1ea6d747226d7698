export { chordKinds, chordOf, type NamedChord } from './chords.ts';
export { instrumentEdits, keyNumber, playedIn, type Instrument } from './instrument.ts';
export { keyMapsOf, type KeyMap } from './keyMaps.ts';
export { inOctave, letterOf, noteHz, noteName, pitchClass, readNote, readNotes } from './note.ts';
export { rowsTold, type RowsTold } from './rowsTold.ts';
export { noNote, rowsOfScale, scales, type Scale } from './scales.ts';
