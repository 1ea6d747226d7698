import { Choice, NumberField } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';

const field = { label: '', unit: 'Hz', min: 1, max: 20_000, width: 110 } as const;

export const tone: FiguresOf<'tone'> = ({ output: { name, lowHz, highHz, pitched }, change }) => (
  <>
    <NumberField
      {...field}
      aria-label="Lowest pitch"
      value={lowHz}
      commit={(value) => change({ lowHz: value })}
    />
    <span>to</span>
    <NumberField
      {...field}
      aria-label="Highest pitch"
      value={highHz}
      commit={(value) => change({ highHz: value })}
    />
    <Choice
      label={`Pitch of ${name}`}
      data={[
        { value: 'timer', label: 'as the board’s timer makes it' },
        { value: 'exact', label: 'just as it is asked for' },
      ]}
      value={pitched}
      choose={(chosen) => change({ pitched: chosen })}
    />
  </>
);
