import { DurationField, NumberField } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';

export const setting: FiguresOf<'setting'> = ({ output, change }) => {
  const number = (field: 'low' | 'high' | 'start', label: string) => (
    <NumberField
      label={label}
      aria-label={`${label} of ${output.name}`}
      width={86}
      unit={output.unit}
      value={output[field]}
      commit={(value) => change({ [field]: value })}
    />
  );
  return (
    <>
      {number('low', 'Lowest')}
      {number('high', 'Highest')}
      {number('start', 'At power-up')}
      <DurationField
        label="Telling it takes"
        aria-label={`How long telling ${output.name} takes`}
        width={110}
        step={1}
        value={output.tellUs}
        commit={(tellUs) => change({ tellUs })}
      />
    </>
  );
};
