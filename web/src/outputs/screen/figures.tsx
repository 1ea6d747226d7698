import { sendings } from '@hum-lever/core';
import { Choice, NumberField } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';

const field = { label: '', min: 1, width: 110 } as const;

/** Rows of characters, and how many stand in one. */
const Cells = ({
  of: { columns, rows },
  change,
}: {
  of: { columns: number; rows: number };
  change: (patch: { columns: number } | { rows: number }) => string | null;
}) => (
  <>
    <NumberField
      {...field}
      aria-label="Columns"
      unit="columns"
      max={80}
      value={columns}
      commit={(value) => change({ columns: value })}
    />
    <NumberField
      {...field}
      aria-label="Rows"
      unit="rows"
      max={8}
      value={rows}
      commit={(value) => change({ rows: value })}
    />
  </>
);

export const text: FiguresOf<'text'> = ({ output, change }) => <Cells of={output} change={change} />;

const sendingWords: Record<(typeof sendings)[number], string> = {
  free: 'its bus takes no time',
  blocking: 'the loop waits while a picture is sent',
  background: 'a picture is sent beside the loop',
};

export const screen: FiguresOf<'screen'> = ({ output, change }) => (
  <>
    <NumberField
      {...field}
      aria-label="At most"
      width={150}
      unit="pictures/s"
      max={60}
      value={output.mostHz}
      commit={(value) => change({ mostHz: value })}
    />
    <Choice
      label="What sending a picture takes"
      data={sendings.map((value) => ({ value, label: sendingWords[value] }))}
      value={output.sends}
      choose={(value) => change({ sends: value as typeof output.sends })}
    />
    <Choice
      label="What is sent of a picture"
      data={[
        { value: 'whole', label: 'all of it is sent' },
        { value: 'changed', label: 'only changed tiles are sent' },
      ]}
      value={output.update}
      choose={(update) => change({ update })}
    />
    in characters
    <Cells of={output} change={change} />
  </>
);
