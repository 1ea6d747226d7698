import { cameText, type Expected } from '../expected.ts';

export const text: Expected<'text'> = {
  fresh: (outputId) => ({ kind: 'text', outputId, row: 0, text: '' }),
  wanted: ({ row, text }, name) =>
    text === '' ? `row ${row + 1} of ${name} is blank` : `row ${row + 1} of ${name} shows “${text}”`,
  came: cameText,
};
