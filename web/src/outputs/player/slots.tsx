import { ExpressionSlot } from '../../slots/index.ts';
import { Choice } from '../../shared/index.ts';
import { LoudSlot } from '../LoudSlot.tsx';
import type { SlotsBy } from '../slotsBy.ts';

export const player: SlotsBy<'playFile' | 'stopFile' | 'loudFile'> = {
  playFile: ({ action, put }) => (
    <>
      plays file
      <ExpressionSlot
        short
        label="Number of the file"
        value={action.number}
        commit={(number) => put({ ...action, number })}
      />
      <Choice
        label="How often"
        data={[
          { value: 'once', label: 'once' },
          { value: 'again', label: 'over and over' },
        ]}
        value={action.again ? 'again' : 'once'}
        choose={(chosen) => put({ ...action, again: chosen === 'again' })}
      />
    </>
  ),
  stopFile: () => 'stops its file',
  loudFile: ({ action, put }) => (
    <>
      plays <LoudSlot value={action.percent} commit={(percent) => put({ ...action, percent })} />
    </>
  ),
};
