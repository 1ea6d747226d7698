import { TextField } from '../../shared/index.ts';
import type { ExpectationSlots } from '../expected.ts';

export const TypistExpected: ExpectationSlots<'typist'> = ({ what, put }) => (
  <>
    types
    <TextField
      size="xs"
      aria-label="Text"
      placeholder="(anything)"
      value={what.text}
      commit={(text) => put({ ...what, text })}
    />
  </>
);
