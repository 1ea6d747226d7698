import { defineLine } from '../flow/line/outputLine.ts';

export const line = defineLine<'line'>({
  kind: 'line',
  verbs: {
    on: (_line, outputId) => ({ kind: 'switch', outputId, to: 'on' }),
    off: (_line, outputId) => ({ kind: 'switch', outputId, to: 'off' }),
    open: (_line, outputId) => ({ kind: 'switch', outputId, to: 'open' }),
    pulse: (reader, outputId) => {
      const to = reader.word('off') ? 'off' : 'on';
      return { kind: 'pulse', outputId, to, length: reader.length() };
    },
    burst: (reader, outputId) => {
      const carrierHz = reader.expression();
      reader.word('for');
      return { kind: 'burst', outputId, carrierHz, length: reader.length() };
    },
  },
  show(action, write) {
    switch (action.kind) {
      case 'switch':
        return action.to;
      case 'pulse':
        return `pulse ${action.to === 'off' ? 'off ' : ''}${write.length(action.length)}`;
      case 'burst':
        return `burst ${write.expression(action.carrierHz)} for ${write.length(action.length)}`;
    }
  },
});
