import { NumberField } from '../../shared/index.ts';
import { ComparisonSlot } from '../../slots/index.ts';
import type { ExpectationSlots } from '../expected.ts';

export const setting: ExpectationSlots<'setting'> = ({ what, put }) => (
  <>
    has taken
    <ComparisonSlot value={what.comparison} choose={(comparison) => put({ ...what, comparison })} />
    <NumberField
      label=""
      aria-label="What the module has taken"
      width={92}
      value={what.to}
      commit={(to) => put({ ...what, to })}
    />
  </>
);
