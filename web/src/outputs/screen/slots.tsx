import { useDocument } from '../../client/index.ts';
import { RowField } from '../../shared/index.ts';
import { ExpressionSlot, NamedSlot, PlainSlot, VariableSlot } from '../../slots/index.ts';
import type { SlotsBy } from '../slotsBy.ts';
import { shownPages } from './pages.ts';

export const text: SlotsBy<'text' | 'sprite' | 'listRow'> = {
  text: ({ action, put }) => (
    <>
      row
      <RowField value={action.row} commit={(row) => put({ ...action, row })} />
      shows
      <ExpressionSlot
        template
        label="Text, with expressions in braces"
        value={action.text}
        commit={(text) => put({ ...action, text })}
      />
    </>
  ),
  sprite: ({ action, put }) => (
    <>
      shows
      <ExpressionSlot
        template
        label="Characters, with expressions in braces"
        value={action.text}
        commit={(text) => put({ ...action, text })}
      />
      in row
      <ExpressionSlot
        short
        label="Row, from 0"
        value={action.row}
        commit={(row) => put({ ...action, row })}
      />
      from column
      <ExpressionSlot
        short
        label="Column, from 0"
        value={action.column}
        commit={(column) => put({ ...action, column })}
      />
    </>
  ),
  listRow: ({ action, put }) => (
    <>
      row
      <RowField value={action.row} commit={(row) => put({ ...action, row })} />
      shows the places of
      <VariableSlot
        kinds={['list', 'table']}
        value={action.variableId}
        choose={(variableId) => put({ ...action, variableId })}
      />
      as
      <PlainSlot
        label="One character for each number, from 0"
        value={action.glyphs}
        commit={(glyphs) => put({ ...action, glyphs })}
      />
    </>
  ),
};

const noPage = '';

export const screen: SlotsBy<'showPage'> = {
  showPage: function ShowPage({ action, put }) {
    const pages = shownPages(useDocument(), action.outputId);
    return (
      <>
        shows page
        <NamedSlot
          label="Page"
          among={[...pages, { id: noPage, name: 'none' }]}
          value={action.pageId ?? noPage}
          choose={(id) => put({ ...action, pageId: id === noPage ? null : id })}
        />
      </>
    );
  },
};
