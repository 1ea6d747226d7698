import { Choice } from '../../shared/index.ts';
import { ExpressionSlot } from '../../slots/index.ts';
import type { SlotsBy } from '../slotsBy.ts';

export const serial: SlotsBy<'say'> = {
  say: ({ action, put }) => (
    <>
      <Choice
        label="A line, or the beginning of one"
        data={[
          { value: 'line', label: 'sends the line' },
          { value: 'begin', label: 'begins a line with' },
        ]}
        value={action.ended ? 'line' : 'begin'}
        choose={(chosen) => put({ ...action, ended: chosen === 'line' })}
      />
      <ExpressionSlot
        template
        label="Text, with expressions in braces"
        value={action.text}
        commit={(text) => put({ ...action, text })}
      />
    </>
  ),
};
