import { gridOf, showAnswer, showTrigger, type GridCell } from '../flow/index.ts';
import type { Gadget } from '../gadget/index.ts';
import { printRows } from './csv.ts';

/** What a cell says: where it leads and under which condition, from where it is inherited, or that it is empty. */
function cellWords(gadget: Gadget, stateId: string, { answers, ignoredBy }: GridCell): string {
  if (answers.length === 0) return ignoredBy ? 'ignored on purpose' : '';
  return answers
    .map(({ rule, owner }) => {
      const text = showAnswer(rule, gadget);
      return owner.id === stateId ? text : `${text} (from ${owner.name})`;
    })
    .join(' | ');
}

/** The grid as a table: a row for each state, a column for each event. */
export function printGridCsv(gadget: Gadget): string {
  const { events, rows } = gridOf(gadget);
  return printRows(
    ['state', 'in', ...events.map((trigger) => showTrigger(trigger, gadget))],
    rows.map(({ state, cells }) => [
      state.name,
      gadget.flow.states.find(({ id }) => id === state.parentId)?.name ?? '',
      ...cells.map((cell) => cellWords(gadget, state.id, cell)),
    ]),
  );
}
