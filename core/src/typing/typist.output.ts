import { defineOutput, plansNothing, sentIsOut, withLine, type Sent } from '../output/index.ts';

export type TypistEntry = { lane: 'typed'; text: string };

export const typist = defineOutput<'typist', Sent<'typist'>, TypistEntry, never, null>({
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
