export { carriedBy, isMessage, messageBytes } from './message.ts';
