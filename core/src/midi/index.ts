export { readMidiFile, writeMidiFile, type FileEvent, type MidiFile, type MidiFileRead } from './file.ts';
export {
  carriedBy,
  drumChannel,
  exampleOf,
  heardMessage,
  isMessage,
  messageBytes,
  mostOf,
  numbersOf,
  syncByte,
} from './message.ts';
export {
  bentHz,
  channelOf,
  received,
  silentReceiver,
  type ChannelState,
  type Receiver,
  type Sounding,
} from './receiver.ts';
export { messagesIn, readStream, streamAtRest, type StreamSink, type StreamState } from './stream.ts';
export { throughFault, wireFaults, type WireFault } from './faults.ts';
export { notesOf, type FileNote } from './fileNotes.ts';
export { sensingByte } from './sensing.ts';
export { reduceNotes, type Reduced } from './reduce.ts';
export { followsClock, isHeardAt, listensToMidi } from './chain.ts';
export { pieceTune, type PieceTune } from './pieceTune.ts';
export { performedFile, tuneFile } from './tuneFile.ts';
export { tellingsOf, type Telling, type WiredMessage } from './tellings.ts';
export { byteUs, wireUs } from './wire.ts';
