import { keyNotes, showKeyNotes } from '../output/keyNotesLine.ts';
import { defineLine, type OutputLine, type TellOf } from '../flow/line/outputLine.ts';
import { midiMessages, passings, singleMessages, syncMessages, type MidiMessage } from './midi.document.ts';

type Reader = Parameters<OutputLine<'midi'>['verbs'][string]>[0];

const channelOf = (line: Reader) => line.number('a channel from 1 to 16', 1, 16);

const readMessage =
  (message: MidiMessage) =>
  (line: Reader, outputId: string): TellOf<'midi'> => {
    const channel = channelOf(line);
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
      const channel = channelOf(line);
      line.must(',');
      const { key, variableId, row, by } = keyNotes(line);
      line.must(',');
      const velocity = line.expression();
      const again = line.word('again') ? line.oneOf(['letGo', 'strike']) : 'strike';
      return { kind: 'play', outputId, channel, key, variableId, row, by, velocity, again };
    },
    letGo: (line, outputId) => ({ kind: 'letGo', outputId, key: line.expression() }),
    letAllGo: (_line, outputId) => ({ kind: 'letAllGo', outputId }),
    pass: (line, outputId) => ({ kind: 'pass', outputId, what: line.oneOf(passings) }),
    sync: (line, outputId) => ({ kind: 'sync', outputId, what: line.oneOf(syncMessages) }),
    fine: (line, outputId) => {
      const channel = channelOf(line);
      line.must(',');
      const controller = line.expression();
      line.must(',');
      return { kind: 'fine', outputId, channel, controller, value: line.expression() };
    },
    exclusive: (line, outputId) => {
      const bytes: number[] = [];
      do bytes.push(line.number('a byte from 0 to 127', 0, 127));
      while (line.sign(','));
      return { kind: 'exclusive', outputId, bytes };
    },
  },
  show(action, write) {
    switch (action.kind) {
      case 'letAllGo':
        return action.kind;
      case 'letGo':
        return `letGo ${write.expression(action.key)}`;
      case 'play':
        return `play ${action.channel}, ${showKeyNotes(action, write)}, ${write.expression(action.velocity)}${action.again === 'letGo' ? ' again letGo' : ''}`;
      case 'pass':
      case 'sync':
        return `${action.kind} ${action.what}`;
      case 'fine':
        return `fine ${action.channel}, ${write.expression(action.controller)}, ${write.expression(action.value)}`;
      case 'exclusive':
        return `exclusive ${action.bytes.join(', ')}`;
      case 'midi': {
        const { message, channel, first, second } = action;
        const rest = singleMessages.has(message) && second === '0' ? '' : `, ${write.expression(second)}`;
        return `${message} ${channel}, ${write.expression(first)}${rest}`;
      }
    }
  },
});
