import { defineLine, type LineWriter, type OutputLine, type TellOf } from '../flow/line/outputLine.ts';
import { paints, type Paint } from './lights.document.ts';
import { steps as pattern } from '../light/steps.fields.ts';

type Reader = Parameters<OutputLine<'lights'>['verbs'][string]>[0];
type Tell = TellOf<'lights'>;
type Range = Pick<Tell, 'which' | 'first' | 'last'>;

/** `all`, `3`, or `2 to 5`. */
function range(line: Reader): Range {
  if (line.word('all')) return { which: 'all', first: '0', last: '0' };
  const first = line.expression();
  return line.word('to')
    ? { which: 'range', first, last: line.expression() }
    : { which: 'one', first, last: '0' };
}
function showRange({ which, first, last }: Range, write: LineWriter): string {
  if (which === 'all') return 'all';
  return which === 'one'
    ? write.expression(first)
    : `${write.expression(first)} to ${write.expression(last)}`;
}

/** A colour, and its level where it is not full: `red`, `red at 40`. */
function paint(line: Reader): { colour: Paint; percent: string } {
  const colour = line.oneOf(paints);
  return { colour, percent: line.word('at') ? line.expression() : '100' };
}
const showPaint = ({ colour, percent }: { colour: Paint; percent: string }, write: LineWriter) =>
  percent === '100' ? colour : `${colour} at ${write.expression(percent)}`;

const expressions = (line: Reader): string => {
  line.must(',');
  return line.expression();
};
const wander =
  (round: boolean) =>
  (line: Reader, outputId: string): Tell => {
    const of = range(line);
    line.must(',');
    return { kind: 'shiftLights', outputId, ...of, by: line.expression(), round };
  };

export const lights = defineLine<'lights'>({
  kind: 'lights',
  verbs: {
    paint: (line, outputId) => ({ kind: 'paintLights', outputId, ...range(line), ...paint(line) }),
    mix: (line, outputId) => {
      const of = range(line);
      const [red, green, blue] = [expressions(line), expressions(line), expressions(line)];
      return { kind: 'mixLights', outputId, ...of, red, green, blue };
    },
    hue: (line, outputId) => {
      const of = range(line);
      const hue = expressions(line);
      return {
        kind: 'hueLights',
        outputId,
        ...of,
        hue,
        percent: line.word('at') ? line.expression() : '100',
      };
    },
    fill: (line, outputId) => {
      const of = range(line);
      return { kind: 'fillLights', outputId, ...of, amount: expressions(line), ...paint(line) };
    },
    rotate: wander(true),
    shift: wander(false),
    pattern: (line, outputId) => {
      const of = range(line);
      const steps = line.plain(pattern.like, pattern.expected);
      return { kind: 'patternLights', outputId, ...of, steps, ...paint(line) };
    },
    blink: (line, outputId) => {
      const of = range(line);
      line.word('every');
      return { kind: 'blinkLights', outputId, ...of, period: line.length() };
    },
    fade: (line, outputId) => {
      const of = range(line);
      const through: Paint[] = [];
      do through.push(line.oneOf(paints));
      while (line.sign(','));
      line.word('over');
      return { kind: 'fadeLights', outputId, ...of, through, over: line.length() };
    },
  },
  show(action, write) {
    const of = showRange(action, write);
    switch (action.kind) {
      case 'paintLights':
        return `paint ${of} ${showPaint(action, write)}`;
      case 'mixLights': {
        const [red, green, blue] = [action.red, action.green, action.blue].map(write.expression);
        return `mix ${of}, ${red}, ${green}, ${blue}`;
      }
      case 'hueLights': {
        const level = action.percent === '100' ? '' : ` at ${write.expression(action.percent)}`;
        return `hue ${of}, ${write.expression(action.hue)}${level}`;
      }
      case 'fillLights':
        return `fill ${of}, ${write.expression(action.amount)} ${showPaint(action, write)}`;
      case 'shiftLights':
        return `${action.round ? 'rotate' : 'shift'} ${of}, ${write.expression(action.by)}`;
      case 'patternLights':
        return `pattern ${of} "${action.steps}" ${showPaint(action, write)}`;
      case 'blinkLights':
        return `blink ${of} every ${write.length(action.period)}`;
      case 'fadeLights':
        return `fade ${of} ${action.through.join(', ')} over ${write.length(action.over)}`;
    }
  },
});
