import { lightColours } from '../light/light.document.ts';
import { defineLine, type LineWriter, type TellOf } from '../flow/line/outputLine.ts';

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

/** What stands on pages can belong together; what is told in passing cannot. */
type Element = Extract<TellOf<'screen'>, { group: number }>;

/** What stands on a page, as a line of text. */
export function elementLine(action: Element, write: LineWriter): string {
  const { expression } = write;
  const placed = (one: { x: string; y: string }) => `at ${expression(one.x)}, ${expression(one.y)}`;
  const sized = (one: { x: string; y: string; width: string; height: string }) =>
    `${placed(one)} size ${expression(one.width)}, ${expression(one.height)}`;
  const onlyIf = (one: {
    onlyIf: string;
    blinks: string;
    ink: string;
    unknownIf?: string;
    instead?: string;
  }) =>
    [
      one.unknownIf === undefined || one.unknownIf === '0'
        ? ''
        : ` unknown ${expression(one.unknownIf)}${one.instead === undefined ? '' : ` as ${write.plain(one.instead)}`}`,
      one.ink === '1' ? '' : ` ink ${expression(one.ink)}`,
      one.blinks === 'steady' ? '' : ` blinks ${one.blinks}`,
      one.onlyIf === '1' ? '' : ` if ${expression(one.onlyIf)}`,
    ].join('');
  const font = (one: { font: string; align: string; inverted: boolean }) =>
    `${one.font} ${one.align}${one.inverted ? ' inverted' : ''}`;
  switch (action.kind) {
    case 'drawText':
      return `text ${font(action)} ${placed(action)} ${write.template(action.text)}${onlyIf(action)}`;
    case 'drawNumber': {
      const { value, format, places, unit } = action;
      const written = `${expression(value)} ${format} ${places} ${write.plain(unit)}`;
      return `number ${font(action)} ${placed(action)} ${written}${onlyIf(action)}`;
    }
    case 'drawWord': {
      const words = action.words.map(write.plain).join(' ');
      return `word ${font(action)} ${placed(action)} ${expression(action.value)} of ${words}${onlyIf(action)}`;
    }
    case 'drawList': {
      const of = `${write.variable(action.variableId)} cursor ${expression(action.cursor)}`;
      const size = `width ${expression(action.width)} rows ${action.rows}`;
      return `list ${action.font} ${placed(action)} ${size} of ${of}${onlyIf(action)}`;
    }
    case 'drawRunning': {
      const { font, width, stepMs } = action;
      const size = `width ${expression(width)} step ${stepMs} ms`;
      return `running ${font} ${placed(action)} ${size} ${write.template(action.text)}${onlyIf(action)}`;
    }
    case 'drawLegends': {
      const { font, edge, words, inverted } = action;
      const how = `${font} ${edge}${inverted ? ' inverted' : ''}`;
      return `legends ${how} ${words.map(write.plain).join(' ')}${onlyIf(action)}`;
    }
    case 'drawPlot': {
      const { value, low, high, everyMs, how } = action;
      const of = `of ${expression(value)} from ${expression(low)} to ${expression(high)}`;
      return `plot ${how} every ${everyMs} ms ${sized(action)} ${of}${onlyIf(action)}`;
    }
    case 'drawWave':
      return `wave ${action.acrossUs} µs ${sized(action)}${onlyIf(action)}`;
    case 'drawDial': {
      const { radius, value, low, high, how } = action;
      const of = `of ${expression(value)} from ${expression(low)} to ${expression(high)}`;
      return `dial ${how} ${placed(action)} radius ${expression(radius)} ${of}${onlyIf(action)}`;
    }
    case 'drawBar': {
      const { value, low, high, grows, framed, blocks, peakMs } = action;
      const of = `of ${expression(value)} from ${expression(low)} to ${expression(high)}`;
      return `bar ${grows}${framed ? ' framed' : ''}${blocks === 0 ? '' : ` blocks ${blocks}`}${peakMs === 0 ? '' : ` peak ${peakMs} ms`} ${sized(action)} ${of}${onlyIf(action)}`;
    }
    case 'drawPicture': {
      const of = `frame ${expression(action.frame)} of ${write.picture(action.pictureId)}`;
      return `picture ${action.how} ${placed(action)} ${of}${onlyIf(action)}`;
    }
    case 'drawBox':
      return `box ${action.how} ${sized(action)}${onlyIf(action)}`;
    case 'drawLine': {
      const end = `${expression(action.toX)}, ${expression(action.toY)}`;
      return `line ${placed(action)} to ${end}${onlyIf(action)}`;
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
