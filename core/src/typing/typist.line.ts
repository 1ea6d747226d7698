import { defineLine, type OutputLine, type TellOf } from '../flow/line/outputLine.ts';
import { computerKeys } from './typist.document.ts';

type Reader = Parameters<OutputLine<'typist'>['verbs'][string]>[0];

/** A key by name, or a character in quotes. */
function key(line: Reader): string {
  const character = line.quoted();
  if (character === null) return line.oneOf(computerKeys);
  return `'${character}`;
}
const pressed =
  (how: 'down' | 'up' | 'tap') =>
  (line: Reader, outputId: string): TellOf<'typist'> => ({ kind: 'key', outputId, key: key(line), how });

export const typist = defineLine<'typist'>({
  kind: 'typist',
  verbs: {
    type: (line, outputId) => ({ kind: 'type', outputId, text: line.template() }),
    tap: pressed('tap'),
    press: pressed('down'),
    release: (line, outputId) =>
      line.word('all') ? { kind: 'keysUp', outputId } : pressed('up')(line, outputId),
  },
  show(action, write) {
    switch (action.kind) {
      case 'type':
        return `type ${write.template(action.text)}`;
      case 'keysUp':
        return 'release all';
      case 'key': {
        const verb = { down: 'press', up: 'release', tap: 'tap' }[action.how];
        return `${verb} ${action.key.startsWith("'") ? write.plain(action.key.slice(1)) : action.key}`;
      }
    }
  },
});
