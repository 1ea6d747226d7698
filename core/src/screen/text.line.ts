import { lightColours } from '../light/light.document.ts';
import { defineLine, type LineWriter, type TellOf } from '../flow/line/outputLine.ts';
import { elementLine } from './elements.line.ts';

type Told = Exclude<TellOf<'text'>, { group: number }>;

/** Whether it is told in passing: what else there is stands on pages. */
export const isTold = (action: TellOf<'text' | 'screen'>): action is Told => !('group' in action);

function told(action: Told, write: LineWriter): string {
  switch (action.kind) {
    case 'showPage':
      return `page ${action.pageId === null ? 'none' : write.page(action.pageId)}`;
    case 'text':
      return `row ${action.row + 1} ${write.template(action.text)}`;
    case 'listRow':
      return `row ${action.row + 1} lane ${write.variable(action.variableId)} ${write.plain(action.glyphs)}`;
    case 'level':
      return `level ${write.expression(action.percent)}`;
    case 'colour':
      return `colour ${action.colour}`;
    case 'sprite': {
      const [row, column] = [write.expression(action.row), write.expression(action.column)];
      return `at ${row}, ${column} ${write.template(action.text)}`;
    }
  }
}

export const text = defineLine<'text'>({
  kind: 'text',
  verbs: {
    page: (line, outputId) => ({
      kind: 'showPage',
      outputId,
      pageId: line.word('none') ? null : line.id('pages'),
    }),
    row: (line, outputId) => {
      const row = line.number('a row from 1 on', 1) - 1;
      if (!line.word('lane')) return { kind: 'text', outputId, row, text: line.template() };
      const variableId = line.id('variables');
      return { kind: 'listRow', outputId, row, variableId, glyphs: line.plain() };
    },
    level: (line, outputId) => ({ kind: 'level', outputId, percent: line.expression() }),
    colour: (line, outputId) => ({ kind: 'colour', outputId, colour: line.oneOf(lightColours) }),
    at: (line, outputId) => {
      const row = line.expression();
      line.must(',');
      return { kind: 'sprite', outputId, row, column: line.expression(), text: line.template() };
    },
  },
  show: (action, write) => (isTold(action) ? told(action, write) : elementLine(action, write)),
});
