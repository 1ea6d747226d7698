export { carriedBy, isMessage, messageBytes, mostOf, numbersOf } from './message.ts';
export { messagesIn, readStream, streamAtRest, type StreamSink, type StreamState } from './stream.ts';
export { byteUs, wireUs } from './wire.ts';
