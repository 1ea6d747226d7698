import { useDocument } from '../../client/index.ts';
import { ExpressionSlot } from '../../slots/index.ts';
import type { SlotsBy } from '../slotsBy.ts';

export const moved: SlotsBy<'move'> = {
  move: ({ action, put }) => (
    <>
      goes to
      <ExpressionSlot label="Degrees or percent" value={action.to} commit={(to) => put({ ...action, to })} />
      <MoveUnit outputId={action.outputId} />
    </>
  ),
};

/** What a mover counts in. */
function MoveUnit({ outputId }: { outputId: string }) {
  const kind = useDocument().outputs.find(({ id }) => id === outputId)?.kind;
  return kind === 'motor' ? '\u202f% of its speed' : '°';
}
