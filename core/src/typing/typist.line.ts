import { defineLine } from '../flow/line/outputLine.ts';

export const typist = defineLine<'typist'>({
  kind: 'typist',
  verbs: { type: (line, outputId) => ({ kind: 'type', outputId, text: line.template() }) },
  show: ({ text }, write) => `type ${write.template(text)}`,
});
