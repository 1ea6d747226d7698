import type { Expected } from '../expected.ts';

export const player: Expected<'player'> = {
  fresh: (outputId) => ({ kind: 'player', outputId, number: 1 }),
  wanted: ({ number }, name) => (number === 0 ? `${name} plays nothing` : `${name} plays file ${number}`),
  came: (value) => (value === 0 ? 'nothing played' : `file ${value}`),
};
