export { soundedHz } from './pitch.ts';
