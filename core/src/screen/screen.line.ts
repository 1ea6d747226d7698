import { defineLine } from '../flow/line/outputLine.ts';
import { elementLine, isTold, text } from './text.line.ts';

export const screen = defineLine<'screen'>({
  kind: 'screen',
  verbs: text.verbs as never,
  show: (action, write) => (isTold(action) ? text.show(action, write) : elementLine(action, write)),
});
