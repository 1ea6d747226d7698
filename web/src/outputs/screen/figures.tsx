import { NumberField } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';

const field = { label: '', min: 1, width: 110 } as const;

export const text: FiguresOf<'text'> = ({ output: { columns, rows }, change }) => (
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
