import { RowField, TextField } from '../../shared/index.ts';
import type { ExpectationSlots } from '../expected.ts';

export const text: ExpectationSlots<'text'> = ({ what, put }) => (
  <>
    row
    <RowField value={what.row} commit={(row) => put({ ...what, row })} />
    shows
    <TextField
      size="xs"
      aria-label="Text"
      placeholder="(blank)"
      value={what.text}
      commit={(text) => put({ ...what, text })}
    />
  </>
);

export const screen: ExpectationSlots<'screen'> = ({ what, put }) => (
  <>
    shows
    <TextField
      size="xs"
      aria-label="Text"
      placeholder="(no text)"
      value={what.text}
      commit={(text) => put({ ...what, text })}
    />
  </>
);
