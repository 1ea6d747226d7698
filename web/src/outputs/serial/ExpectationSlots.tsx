import { TextField } from '../../shared/index.ts';
import type { ExpectationSlots } from '../expected.ts';

export const serial: ExpectationSlots<'serial'> = ({ what, put }) => (
  <>
    sends
    <TextField
      size="xs"
      aria-label="Text"
      placeholder="(anything)"
      value={what.text}
      commit={(text) => put({ ...what, text })}
    />
  </>
);
