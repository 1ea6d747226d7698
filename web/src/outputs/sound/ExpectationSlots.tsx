import { NumberField } from '../../shared/index.ts';
import { ComparisonSlot } from '../../slots/index.ts';
import type { ExpectationSlots } from '../expected.ts';

export const tone: ExpectationSlots<'tone'> = ({ what, put }) => (
  <>
    sounds
    <ComparisonSlot value={what.comparison} choose={(comparison) => put({ ...what, comparison })} />
    <NumberField
      label=""
      aria-label="Pitch"
      unit="Hz"
      width={104}
      min={0}
      max={20000}
      value={what.hz}
      commit={(hz) => put({ ...what, hz })}
    />
  </>
);
