import { keyNotes, showKeyNotes } from '../output/keyNotesLine.ts';
import { defineLine, type OutputLine, type TellOf } from '../flow/line/outputLine.ts';
import { midiMessages, singleMessages, type MidiMessage } from './midi.document.ts';

type Reader = Parameters<OutputLine<'midi'>['verbs'][string]>[0];

const readMessage =
  (message: MidiMessage) =>
  (line: Reader, outputId: string): TellOf<'midi'> => {
    const channel = line.number('a channel from 1 to 16', 1, 16);
    line.must(',');
    const first = line.expression();
    const alone = singleMessages.has(message);
    if (!alone) line.must(',');
    const second = alone && !line.sign(',') ? '0' : line.expression();
    return { kind: 'midi', outputId, message, channel, first, second };
  };

export const midi = defineLine<'midi'>({
  kind: 'midi',
  verbs: {
    ...Object.fromEntries(midiMessages.map((message) => [message, readMessage(message)])),
    play: (line, outputId) => {
      const channel = line.number('a channel from 1 to 16', 1, 16);
      line.must(',');
      const { key, variableId, row, by } = keyNotes(line);
      line.must(',');
      const velocity = line.expression();
      const again = line.word('again') ? line.oneOf(['letGo', 'strike']) : 'strike';
      return { kind: 'play', outputId, channel, key, variableId, row, by, velocity, again };
    },
    letGo: (line, outputId) => ({ kind: 'letGo', outputId, key: line.expression() }),
    letAllGo: (_line, outputId) => ({ kind: 'letAllGo', outputId }),
  },
  show(action, write) {
    if (action.kind === 'letAllGo') return 'letAllGo';
    if (action.kind === 'letGo') return `letGo ${write.expression(action.key)}`;
    if (action.kind === 'play')
      return `play ${action.channel}, ${showKeyNotes(action, write)}, ${write.expression(action.velocity)}${action.again === 'letGo' ? ' again letGo' : ''}`;
    const { message, channel, first, second } = action;
    const rest = singleMessages.has(message) && second === '0' ? '' : `, ${write.expression(second)}`;
    return `${message} ${channel}, ${write.expression(first)}${rest}`;
  },
});
