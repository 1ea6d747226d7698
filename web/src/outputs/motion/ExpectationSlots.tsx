import { NumberField } from '../../shared/index.ts';
import { ComparisonSlot } from '../../slots/index.ts';
import type { ExpectationSlots } from '../expected.ts';

import { moverUnits } from './units.ts';

const movedExpected =
  <K extends 'servo' | 'motor'>(kind: K): ExpectationSlots<K> =>
  ({ what, put }) => (
    <>
      is told
      <ComparisonSlot value={what.comparison} choose={(comparison) => put({ ...what, comparison })} />
      <NumberField
        label=""
        aria-label="Where it is told to be"
        unit={moverUnits[kind]}
        width={92}
        min={0}
        max={360}
        value={what.to}
        commit={(to) => put({ ...what, to })}
      />
    </>
  );

export const servo = movedExpected('servo');
export const motor = movedExpected('motor');
