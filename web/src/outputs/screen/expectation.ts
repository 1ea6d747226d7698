import { cameText, type Expected } from '../expected.ts';

export const text: Expected<'text'> = {
  fresh: (outputId) => ({ kind: 'text', outputId, row: 0, text: '' }),
  wanted: ({ row, text }, name) =>
    text === '' ? `row ${row + 1} of ${name} is blank` : `row ${row + 1} of ${name} shows “${text}”`,
  came: cameText,
};

export const screen: Expected<'screen'> = {
  fresh: (outputId) => ({ kind: 'screen', outputId, text: '' }),
  wanted: ({ text }, name) => (text === '' ? `${name} shows no text` : `${name} shows “${text}”`),
  came: (value) => cameText(String(value).replaceAll('\n', ' · ')),
};
