import { defineOutput, plansNothing, sentIsOut, withLine, type Sent } from '../output/index.ts';
import { messageBytes } from './message.ts';

export const midi = defineOutput<'midi', Sent<'midi'>, { lane: 'midi'; bytes: number[] }, never, null>({
  kind: 'midi',
  prepare: () => null,
  dark: () => ({ kind: 'midi', lines: [] }),
  apply(was, { message, channel, first, second }, on) {
    const bytes = messageBytes(message, channel, first, second);
    on.trace({ lane: 'midi', bytes });
    return withLine(was, bytes.map((byte) => byte.toString(16).padStart(2, '0')).join(' '));
  },
  ...plansNothing,
  ...sentIsOut,
});
