export { carriedBy, isMessage, messageBytes, mostOf, numbersOf } from './message.ts';
export { byteUs, wireUs } from './wire.ts';
