import { defineLine } from '../flow/line/outputLine.ts';

export const serial = defineLine<'serial'>({
  kind: 'serial',
  verbs: {
    say: (line, outputId) => ({ kind: 'say', outputId, text: line.template(), ended: true }),
    begin: (line, outputId) => ({ kind: 'say', outputId, text: line.template(), ended: false }),
  },
  show: ({ text, ended }, write) => `${ended ? 'say' : 'begin'} ${write.template(text)}`,
});
