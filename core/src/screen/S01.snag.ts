import { longestText, showTemplate, valuesAt, valuesOf } from '../flow/index.ts';
import {
  placedActions,
  type Edit,
  type Gadget,
  type PlacedActions,
  type Snag,
  type SnagRule,
} from '../gadget/index.ts';

/** Columns that character displays are made with; a wider text needs other words. */
const madeWide = [8, 16, 20, 40];

interface Placed extends PlacedActions {
  text: string;
  row: number;
  outputId: string;
}

/** Every text action with the place that owns it; sprites are cut at the edge, and meant to be. */
const texts = (gadget: Gadget): Placed[] =>
  placedActions(gadget.flow).flatMap((placed) =>
    placed.actions.flatMap((action) =>
      action.kind === 'text'
        ? [{ ...placed, text: action.text, row: action.row, outputId: action.outputId }]
        : [],
    ),
  );

/** Text that is wider than the display can show, at its longest, or on a row that the display does not have. */
export const S01: SnagRule = {
  id: 'S01',
  check(gadget, derived): Snag[] {
    const known = valuesOf(gadget, derived);
    // The same text for the same display is told once, where it first stands.
    const told = new Set<string>();
    return texts(gadget).flatMap((placed): Snag[] => {
      const { text, row, outputId, place, name: state } = placed;
      const display = gadget.outputs.find(({ id }) => id === outputId);
      if (display?.kind !== 'text') return [];
      const { columns, rows, name } = display;
      const length = longestText(text, gadget, valuesAt(gadget, known, placed));
      const common = { rule: 'S01', level: 'likely', place } as const;
      const values = { state, display: name, text: showTemplate(text, gadget), length, columns, rows };
      const key = JSON.stringify([outputId, text, row >= rows ? row : null]);
      if ((row < rows && length <= columns) || told.has(key)) return [];
      told.add(key);
      if (row >= rows) return [{ ...common, values: { ...values, reason: 'row', row: row + 1 } }];
      const wide = madeWide.find((made) => made >= length);
      const widen: Edit = { name: 'changeOutput', args: [display.id, { columns: wide ?? length }] };
      return [
        {
          ...common,
          values: { ...values, reason: 'width' },
          ...(wide !== undefined && {
            mend: { key: 'widerDisplay', edit: widen, values: { columns: wide } },
          }),
        },
      ];
    });
  },
};
