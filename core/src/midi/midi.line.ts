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
  verbs: Object.fromEntries(midiMessages.map((message) => [message, readMessage(message)])),
  show({ message, channel, first, second }, write) {
    const rest = singleMessages.has(message) && second === '0' ? '' : `, ${write.expression(second)}`;
    return `${message} ${channel}, ${write.expression(first)}${rest}`;
  },
});
