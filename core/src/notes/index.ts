export { chordKinds, chordOf, type NamedChord } from './chords.ts';
export { instrumentEdits, keyNumber, playedIn, type Instrument } from './instrument.ts';
export { keyMapsOf, type KeyMap } from './keyMaps.ts';
export { inOctave, letterOf, noteHz, noteName, pitchClass, readNote, readNotes } from './note.ts';
export {
  effectFrameUs,
  effectKinds,
  effectPitch,
  effectPitches,
  framesOf,
  type EffectKind,
} from './effect.ts';
export {
  frameUs,
  gridAt,
  partsOfUs,
  passAt,
  playedTune,
  rateOf,
  stepParts,
  tuneLengthUs,
  usOfParts,
  type Passing,
  type PlayedNote,
  type PlayedTune,
  type Playing,
} from './played.ts';
export { notesIn, performedIn, performedNotes, tunesPerformed, type Performed } from './performed.ts';
export { readVoice, showVoice, type VoiceRead } from './voiceText.ts';
export { tuneEncodings, tuneMemory, type TuneEncoding, type TuneMemory } from './tuneMemory.ts';
export {
  sampleClock,
  sampleCount,
  soundBytes,
  storedSounds,
  type SampleClock,
  type StoredSound,
} from './samples.ts';
export { rowsTold, type RowsTold } from './rowsTold.ts';
export { noNote, rowsOfScale, scales, type Scale } from './scales.ts';
