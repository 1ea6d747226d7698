import { Choice } from '../../shared/index.ts';
import { ExpressionSlot, LengthSlot } from '../../slots/index.ts';
import type { SlotsBy } from '../slotsBy.ts';

export const line: SlotsBy<'switch' | 'pulse' | 'burst'> = {
  switch: ({ action, put }) => (
    <Choice
      label="What the line does"
      data={[
        { value: 'on', label: 'goes on' },
        { value: 'off', label: 'goes off' },
        { value: 'open', label: 'lets go' },
      ]}
      value={action.to}
      choose={(to) => put({ ...action, to })}
    />
  ),
  pulse: ({ action, put }) => (
    <>
      is
      <Choice
        label="Level of the pulse"
        data={['on', 'off']}
        value={action.to}
        choose={(to) => put({ ...action, to })}
      />
      for
      <LengthSlot
        label="Length of the pulse"
        value={action.length}
        commit={(length) => put({ ...action, length })}
      />
    </>
  ),
  burst: ({ action, put }) => (
    <>
      is on at
      <ExpressionSlot
        short
        label="Carrier in hertz"
        value={action.carrierHz}
        commit={(carrierHz) => put({ ...action, carrierHz })}
      />
      {'\u202f'}Hz for
      <LengthSlot
        label="Length of the burst"
        value={action.length}
        commit={(length) => put({ ...action, length })}
      />
    </>
  ),
};
