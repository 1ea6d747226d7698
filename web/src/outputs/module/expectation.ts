import type { Expected } from '../expected.ts';

export const setting: Expected<'setting'> = {
  fresh: (outputId) => ({ kind: 'setting', outputId, comparison: '=', to: 0 }),
  wanted: ({ comparison, to }, name) => `${name} has taken ${comparison} ${to}`,
  came: (value) => String(value),
};
