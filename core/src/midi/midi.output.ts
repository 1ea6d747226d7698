import { defineOutput, noJobs, plansNothing, sentIsOut, withLine, type Sent } from '../output/index.ts';
import { messageBytes } from './message.ts';

export type MidiEntry = { lane: 'midi'; bytes: number[] };

/** Bytes as a wire's reader writes them. */
export const hexBytes = (bytes: readonly number[]): string =>
  bytes.map((byte) => byte.toString(16).padStart(2, '0')).join(' ');

export const midi = defineOutput<'midi', Sent<'midi'>, MidiEntry, never, null>({
  kind: 'midi',
  prepare: () => null,
  dark: () => ({ kind: 'midi', lines: [] }),
  apply(was, { message, channel, first, second }, on) {
    const bytes = messageBytes(message, channel, first, second);
    on.trace({ atUs: on.nowUs, lane: 'midi', id: on.id, bytes });
    return withLine(was, hexBytes(bytes));
  },
  jobs: () => noJobs,
  ...plansNothing,
  ...sentIsOut,
});
