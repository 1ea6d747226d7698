import { showHz } from '../../shared/units.ts';
import type { Expected } from '../expected.ts';

export const tone: Expected<'tone'> = {
  fresh: (outputId) => ({ kind: 'tone', outputId, comparison: '>', hz: 0 }),
  wanted: ({ comparison, hz }, name) => `${name} sounds ${comparison} ${showHz(hz)}`,
  came: (value) => showHz(Number(value)),
};
