import { NumberField } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';

const field = { label: '', unit: 'Hz', min: 1, max: 20_000, width: 110 } as const;

export const tone: FiguresOf<'tone'> = ({ output: { lowHz, highHz }, change }) => (
  <>
    <NumberField
      {...field}
      aria-label="Lowest pitch"
      value={lowHz}
      commit={(value) => change({ lowHz: value })}
    />
    <span>to</span>
    <NumberField
      {...field}
      aria-label="Highest pitch"
      value={highHz}
      commit={(value) => change({ highHz: value })}
    />
  </>
);
