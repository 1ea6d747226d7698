import { defineLine } from '../flow/line/outputLine.ts';

export const setting = defineLine<'setting'>({
  kind: 'setting',
  verbs: { give: (line, outputId) => ({ kind: 'give', outputId, value: line.expression() }) },
  show: ({ value }, write) => `give ${write.expression(value)}`,
});
