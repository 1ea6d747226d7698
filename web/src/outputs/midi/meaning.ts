import { heardMessage, isSync, noteName, sensingByte } from '@hum-lever/core';
import { count } from '../../shared/units.ts';

/** “C4 begins at 100, channel 1”: what a message says. */
export function meaning(bytes: readonly number[]): string {
  const heard = heardMessage(bytes);
  if (!heard) return otherMeaning(bytes);
  const { message, channel, first, second } = heard;
  const said = {
    noteOn: () => `${noteName(first)} begins at ${second}`,
    noteOff: () => `${noteName(first)} ends`,
    control: () => `controller ${first} to ${second}`,
    program: () => `program ${first}`,
    bend: () => (first === 8_192 ? 'no bend' : `bent by ${first - 8_192}`),
    pressure: () => `pressed by ${first}`,
    keyPressure: () => `${noteName(first)} pressed by ${second}`,
    clock: () => 'the clock ticks',
    start: () => 'what follows the clock starts',
    continue: () => 'what follows the clock goes on',
    stop: () => 'what follows the clock stops',
  }[message]();
  return isSync(message) ? said : `${said}, channel ${channel}`;
}

/** What belongs to no channel and keeps nothing in step. */
function otherMeaning(bytes: readonly number[]): string {
  const [status] = bytes;
  if (status === undefined) return 'nothing has come for too long, and what sounds ends';
  if (status === 0xf0) return `for one maker’s equipment, ${count(bytes.length - 2, 'byte')}`;
  if (status === sensingByte) return 'still there';
  return status === 0xff ? 'all as at power-up' : count(bytes.length, 'byte');
}
