import { ExpressionSlot } from '../../slots/index.ts';
import type { SlotsBy } from '../slotsBy.ts';

export const typist: SlotsBy<'type'> = {
  type: ({ action, put }) => (
    <>
      types
      <ExpressionSlot
        template
        label="Text, with expressions in braces"
        value={action.text}
        commit={(text) => put({ ...action, text })}
      />
    </>
  ),
};
