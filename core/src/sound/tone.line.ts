import { keyNotes, showKeyNotes, showMoved } from '../output/keyNotesLine.ts';
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
    volume: (line, outputId) => ({ kind: 'loud', outputId, percent: line.expression() }),
    effect: (line, outputId) => ({
      kind: 'effect',
      outputId,
      effectId: line.id('effects'),
      byCents: line.word('by') ? line.expression() : '0',
    }),
    perform: (line, outputId) => {
      const tuneId = line.id('tunes');
      const { voices } = line.names.gadget.tunes.find(({ id }) => id === tuneId)!;
      const voiceId = line.word('voice')
        ? voices[line.number(`a voice from 1 to ${voices.length}`, 1, voices.length) - 1]!.id
        : null;
      const by = line.word('by') ? line.expression() : '0';
      return {
        kind: 'perform',
        outputId,
        tuneId,
        voiceId,
        by,
        bpm: line.word('at') ? line.expression() : '0',
      };
    },
    pace: (line, outputId) => {
      const bpm = line.expression();
      return { kind: 'pace', outputId, bpm, by: line.word('by') ? line.expression() : '0' };
    },
    finish: (_line, outputId) => ({ kind: 'finish', outputId }),
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
      case 'finish':
        return action.kind;
      case 'loud':
        return `volume ${write.expression(action.percent)}`;
      case 'effect':
        return `effect ${write.effect(action.effectId)}${showMoved(action.byCents, write)}`;
      case 'perform': {
        const voice = action.voiceId === null ? '' : ` voice ${write.voice(action.voiceId)}`;
        const at = action.bpm.trim() === '0' ? '' : ` at ${write.expression(action.bpm)}`;
        return `perform ${write.tune(action.tuneId)}${voice}${showMoved(action.by, write)}${at}`;
      }
      case 'pace':
        return `pace ${write.expression(action.bpm)}${showMoved(action.by, write)}`;
      case 'sing':
        return `sing ${showKeyNotes(action, write)}`;
      case 'hush':
        return `hush ${write.expression(action.key)}`;
    }
  },
});
