import { longestText, showTemplate } from '../flow/index.ts';
import type { Action, Edit, Gadget, Place, Snag, SnagRule } from '../gadget/index.ts';

type TextAction = Extract<Action, { kind: 'text' }>;

/** Every text action with the place that owns it. */
function texts(gadget: Gadget): { action: TextAction; place: Place; state: string }[] {
  return gadget.flow.states.flatMap((state) =>
    [
      ...[...state.entry, ...state.exit].map((action) => ({
        action,
        place: { kind: 'state', id: state.id } as Place,
      })),
      ...state.rules.flatMap((rule) =>
        rule.actions.map((action) => ({ action, place: { kind: 'rule', id: rule.id } as Place })),
      ),
    ].flatMap(({ action, place }) => (action.kind === 'text' ? [{ action, place, state: state.name }] : [])),
  );
}

/** Text that is wider than the display can show, at its longest, or on a row that the display does not have. */
export const S01: SnagRule = {
  id: 'S01',
  check(gadget): Snag[] {
    return texts(gadget).flatMap(({ action, place, state }): Snag[] => {
      const display = gadget.outputs.find(({ id }) => id === action.outputId);
      if (display?.kind !== 'text') return [];
      const { columns, rows, name } = display;
      const length = longestText(action.text, gadget);
      const common = { rule: 'S01', level: 'likely', place } as const;
      const values = {
        state,
        display: name,
        text: showTemplate(action.text, gadget),
        length,
        columns,
        rows,
      };
      if (action.row >= rows)
        return [{ ...common, values: { ...values, reason: 'row', row: action.row + 1 } }];
      if (length <= columns) return [];
      const widen: Edit = { name: 'changeOutput', args: [display.id, { columns: length }] };
      return [
        {
          ...common,
          values: { ...values, reason: 'width' },
          ...(length <= 40 && { mend: { key: 'widerDisplay', edit: widen, values: { columns: length } } }),
        },
      ];
    });
  },
};
