import { defineOutput, plansNothing, sentIsOut, withLine, type Sent } from '../output/index.ts';

export const typist = defineOutput<'typist', Sent<'typist'>, { lane: 'typed'; text: string }, never, null>({
  kind: 'typist',
  prepare: () => null,
  dark: () => ({ kind: 'typist', lines: [] }),
  apply(was, { text }, on) {
    on.trace({ lane: 'typed', text });
    return withLine(was, text);
  },
  ...plansNothing,
  ...sentIsOut,
});
