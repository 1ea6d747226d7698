import { cameText, type Expected } from '../expected.ts';

export const serial: Expected<'serial'> = {
  fresh: (outputId) => ({ kind: 'serial', outputId, text: '' }),
  wanted: ({ text }, name) =>
    text === '' ? `anything arrives over ${name}` : `“${text}” arrives over ${name}`,
  came: cameText,
};
