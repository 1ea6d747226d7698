import { heardMessage, noteName } from '@hum-lever/core';
import { count } from '../../shared/units.ts';

/** “C4 begins at 100, channel 1”: what a message says. */
export function meaning(bytes: readonly number[]): string {
  const heard = heardMessage(bytes);
  if (!heard) return count(bytes.length, 'byte');
  const { message, channel, first, second } = heard;
  const said = {
    noteOn: () => `${noteName(first)} begins at ${second}`,
    noteOff: () => `${noteName(first)} ends`,
    control: () => `controller ${first} to ${second}`,
    program: () => `program ${first}`,
    bend: () => (first === 8_192 ? 'no bend' : `bent by ${first - 8_192}`),
    pressure: () => `pressed by ${first}`,
    keyPressure: () => `${noteName(first)} pressed by ${second}`,
  }[message]();
  return `${said}, channel ${channel}`;
}
