import { useDocument } from '../../client/index.ts';
import { ExpressionSlot } from '../../slots/index.ts';
import type { SlotsBy } from '../slotsBy.ts';

export const setting: SlotsBy<'give'> = {
  give: ({ action, put }) => (
    <>
      is told
      <ExpressionSlot
        label="Value for the module"
        value={action.value}
        commit={(value) => put({ ...action, value })}
      />
      <Unit outputId={action.outputId} />
    </>
  ),
};

function Unit({ outputId }: { outputId: string }) {
  const output = useDocument().outputs.find(({ id }) => id === outputId);
  return output?.kind === 'setting' && output.unit !== '' ? `\u202f${output.unit}` : null;
}
