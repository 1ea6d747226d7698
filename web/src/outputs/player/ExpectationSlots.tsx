import { NumberField } from '../../shared/index.ts';
import type { ExpectationSlots } from '../expected.ts';

export const player: ExpectationSlots<'player'> = ({ what, put }) => (
  <>
    plays file
    <NumberField
      label=""
      aria-label="Number of the file, 0 for none"
      width={72}
      min={0}
      max={255}
      value={what.number}
      commit={(number) => put({ ...what, number })}
    />
  </>
);
