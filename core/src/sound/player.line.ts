import { defineLine } from '../flow/line/outputLine.ts';

export const player = defineLine<'player'>({
  kind: 'player',
  verbs: {
    play: (line, outputId) => ({
      kind: 'playFile',
      outputId,
      number: line.expression(),
      again: line.word('again'),
    }),
    stop: (_line, outputId) => ({ kind: 'stopFile', outputId }),
    volume: (line, outputId) => ({ kind: 'loudFile', outputId, percent: line.expression() }),
  },
  show(action, write) {
    switch (action.kind) {
      case 'playFile':
        return `play ${write.expression(action.number)}${action.again ? ' again' : ''}`;
      case 'stopFile':
        return 'stop';
      case 'loudFile':
        return `volume ${write.expression(action.percent)}`;
    }
  },
});
