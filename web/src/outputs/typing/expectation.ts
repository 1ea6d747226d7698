import { cameText, type Expected } from '../expected.ts';

export const typist: Expected<'typist'> = {
  fresh: (outputId) => ({ kind: 'typist', outputId, text: '' }),
  wanted: ({ text }, name) => (text === '' ? `${name} types anything` : `${name} types “${text}”`),
  came: cameText,
};
