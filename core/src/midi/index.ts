export { isMessage, messageBytes } from './message.ts';
