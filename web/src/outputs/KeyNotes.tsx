import type { OutputActionOf } from '@hum-lever/core';
import { ExpressionSlot, VariableSlot } from '../slots/index.ts';

type KeyNotes = Pick<OutputActionOf<'sing'>, 'key' | 'variableId' | 'row' | 'by'>;

interface Slot {
  value: string;
  commit: (text: string) => string | null;
}

/** “moved up by 12”. */
export const UpSlot = ({ value, commit }: Slot) => (
  <>
    moved up by
    <ExpressionSlot short label="Semitones up" value={value} commit={commit} />
  </>
);

/** Which row of notes, and how far it is moved. */
export function RowSlots({
  action,
  put,
}: {
  action: KeyNotes;
  put: (patch: Partial<KeyNotes>) => string | null;
}) {
  return (
    <>
      row
      <ExpressionSlot short label="Row, from 0" value={action.row} commit={(row) => put({ row })} />
      of
      <VariableSlot
        kinds={['table', 'list']}
        value={action.variableId}
        choose={(variableId) => put({ variableId })}
      />
      <UpSlot value={action.by} commit={(by) => put({ by })} />
    </>
  );
}

/** Which key holds them, or lets them go. */
export function KeySlot<A extends { key: string }>({
  action,
  put,
}: {
  action: A;
  put: (action: A) => string | null;
}) {
  return (
    <>
      key
      <ExpressionSlot
        short
        label="Number of the key, 0 to 127"
        value={action.key}
        commit={(key) => put({ ...action, key })}
      />
    </>
  );
}
