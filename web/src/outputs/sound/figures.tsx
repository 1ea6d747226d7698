import { takings } from '@hum-lever/core';
import { TimeSlot } from '../../slots/index.ts';
import { Choice, NumberField } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';
import { NearestEar } from '../NearestEar.tsx';

const takingWords = {
  last: 'of keys held, the last sounds',
  first: 'of keys held, the first sounds',
  lowest: 'of keys held, the lowest sounds',
  highest: 'of keys held, the highest sounds',
  turns: 'of keys held, all in turns of',
} as const;
const field = { label: '', unit: 'Hz', min: 1, max: 20_000, width: 110 } as const;

export const tone: FiguresOf<'tone'> = ({ output, change }) => {
  const { name, lowHz, highHz, pitched, takes, turnUs, blocking } = output;
  return (
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
      <Choice
        label={`Notes that keys hold at ${name}`}
        data={takings.map((value) => ({ value, label: takingWords[value] }))}
        value={takes}
        choose={(chosen) => change({ takes: chosen })}
      />
      <Choice
        label={`What the loop does while ${name} sounds`}
        data={[
          { value: 'beside', label: 'while it sounds, the loop goes on' },
          { value: 'blocking', label: 'while it sounds, the loop waits' },
        ]}
        value={blocking ? 'blocking' : 'beside'}
        choose={(chosen) => change({ blocking: chosen === 'blocking' })}
      />
      <NearestEar output={output} change={change} />
      {takes === 'turns' && (
        <TimeSlot
          label="Length of a turn"
          value={turnUs}
          minUs={1_000}
          commit={(value) => change({ turnUs: value })}
        />
      )}
    </>
  );
};
