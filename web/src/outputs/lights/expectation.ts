import { cameText, type Expected } from '../expected.ts';

const wordOf = (value: string) => (value === 'off' ? 'dark' : value);

export const lights: Expected<'lights'> = {
  fresh: (outputId) => ({ kind: 'lights', outputId, place: 0, colour: 'lit' }),
  wanted: ({ place, colour }, name) => `light ${place} of ${name} is ${wordOf(colour)}`,
  came: (value) => wordOf(cameText(value)),
};
