import {
  controlsHeard,
  isOfKeys,
  type Gadget,
  type Rule,
  type Snag,
  type SnagRule,
} from '../gadget/index.ts';

interface Note {
  controlId: string;
  outputId: string;
  channel: number;
  number: number;
}

/** Notes that a rule begins whatever else is so, by the one key that it hears. */
function notesOf(gadget: Gadget, { trigger, guard, actions }: Rule): Note[] {
  if (!isOfKeys(trigger) || guard !== null || (trigger.gesture !== 'press' && trigger.gesture !== 'tap'))
    return [];
  const [controlId, ...others] = controlsHeard(gadget, trigger);
  if (controlId === undefined || others.length > 0) return [];
  return actions.flatMap((action): Note[] =>
    action.kind === 'midi' && action.message === 'noteOn' && /^\d+$/.test(action.first)
      ? [
          {
            controlId,
            outputId: action.outputId,
            channel: action.channel,
            number: Number(action.first),
          },
        ]
      : [],
  );
}

/** Keys of one state that begin the same note and nothing else: letting go of one ends it for the other, too. */
export const M09: SnagRule = {
  id: 'M09',
  check(gadget): Snag[] {
    const nameOf = (id: string) => gadget.controls.find((control) => control.id === id)?.name ?? '';
    return gadget.flow.states.flatMap((state): Snag[] => {
      const by = new Map<string, { note: Note; ruleId: string }>();
      return state.rules.flatMap((rule): Snag[] => {
        const notes = notesOf(gadget, rule);
        const [note] = notes;
        // Chords share notes on purpose.
        if (!note || notes.length > 1) return [];
        const key = [note.outputId, note.channel, note.number].join(' ');
        const first = by.get(key);
        if (!first) by.set(key, { note, ruleId: rule.id });
        if (!first || first.note.controlId === note.controlId) return [];
        return [
          {
            rule: 'M09',
            level: 'note',
            place: { kind: 'rule', id: rule.id },
            values: {
              state: state.name,
              first: nameOf(first.note.controlId),
              second: nameOf(note.controlId),
              number: note.number,
              channel: note.channel,
            },
          },
        ];
      });
    });
  },
};
