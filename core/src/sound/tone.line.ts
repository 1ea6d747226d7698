import { keyNotes, showKeyNotes } from '../output/keyNotesLine.ts';
import { defineLine } from '../flow/line/outputLine.ts';
import type { Note } from './tone.document.ts';

export const tone = defineLine<'tone'>({
  kind: 'tone',
  verbs: {
    tone: (line, outputId) => {
      const hz = line.expression();
      return { kind: 'tone', outputId, hz, lengthUs: line.word('for') ? line.fixedLength() : 0 };
    },
    tune: (line, outputId) => {
      const notes: Note[] = [];
      do notes.push({ hz: line.number('a pitch in hertz, 0 for a rest', 0), lengthUs: line.fixedLength() });
      while (line.sign(','));
      return { kind: 'tune', outputId, notes };
    },
    silence: (_line, outputId) => ({ kind: 'silence', outputId }),
    sing: (line, outputId) => ({ kind: 'sing', outputId, ...keyNotes(line) }),
    hush: (line, outputId) => ({ kind: 'hush', outputId, key: line.expression() }),
  },
  show(action, write) {
    switch (action.kind) {
      case 'tone':
        return `tone ${write.expression(action.hz)}${action.lengthUs === 0 ? '' : ` for ${write.length(action.lengthUs)}`}`;
      case 'tune':
        return `tune ${action.notes.map(({ hz, lengthUs }) => `${hz} ${write.length(lengthUs)}`).join(', ')}`;
      case 'silence':
        return 'silence';
      case 'sing':
        return `sing ${showKeyNotes(action, write)}`;
      case 'hush':
        return `hush ${write.expression(action.key)}`;
    }
  },
});
