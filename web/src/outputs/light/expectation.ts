import { cameText, type Expected } from '../expected.ts';

export const light: Expected<'light'> = {
  fresh: (outputId) => ({ kind: 'light', outputId, mode: 'on' }),
  wanted: ({ mode }, name) =>
    `${name} is ${mode === 'blink' ? 'blinking' : mode === 'fade' ? 'fading' : mode}`,
  came: cameText,
};
