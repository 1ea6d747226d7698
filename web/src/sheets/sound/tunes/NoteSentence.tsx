import { Button } from '@mantine/core';
import { noteName, readNote, type Ornament, type TuneNote } from '@hum-lever/core';
import { Choice, NumberField, TextField } from '../../../shared/index.ts';
import classes from './Tunes.module.css';

const fresh: Record<'plain' | Ornament['kind'], Ornament | null> = {
  plain: null,
  slide: { kind: 'slide', steps: 1 },
  vibrato: { kind: 'vibrato', cents: 30 },
  arpeggio: { kind: 'arpeggio', above: [4, 7] },
};
const ornamentWords = {
  plain: 'just sounds',
  slide: 'slides in, over',
  vibrato: 'trembles, to each side',
  arpeggio: 'is broken, with semitones above',
} as const;

/** Semitones as they are typed: `4 7`. */
function readAbove(typed: string): number[] | null {
  const above = typed.split(/[\s,;+]+/).filter(Boolean);
  return above.length > 0 && above.every((one) => /^-?\d{1,2}$/.test(one)) ? above.map(Number) : null;
}

/** The note that is chosen, as a sentence to be changed. */
export function NoteSentence({
  note,
  put,
  putAll,
  remove,
}: {
  note: TuneNote;
  put: (patch: Partial<TuneNote>) => string | null;
  /** Changes every note of its voice; null: all are as loud as this one. */
  putAll: ((patch: Partial<TuneNote>) => void) | null;
  remove: () => void;
}) {
  const { ornament } = note;
  return (
    <div className={classes.sentence} role="group" aria-label="The chosen note">
      <TextField
        size="xs"
        w={62}
        classNames={{ input: 'number' }}
        aria-label="Note"
        value={noteName(note.note)}
        commit={(typed) => {
          const read = readNote(typed.trim());
          return read === null
            ? 'Expected a note from C-1 to G9, such as C4, F♯3 or 60.'
            : put({ note: read });
        }}
      />
      lasts
      <NumberField
        label=""
        aria-label="Steps that it lasts"
        width={64}
        min={1}
        max={1_024}
        value={note.steps}
        commit={(steps) => put({ steps })}
      />
      {note.steps === 1 ? 'step and' : 'steps and'}
      <Choice
        label="What it does"
        data={(Object.keys(ornamentWords) as (keyof typeof ornamentWords)[]).map((value) => ({
          value,
          label: ornamentWords[value],
        }))}
        value={ornament?.kind ?? 'plain'}
        choose={(kind) => void put({ ornament: fresh[kind] })}
      />
      {ornament?.kind === 'slide' && (
        <NumberField
          label=""
          aria-label="Steps of the slide"
          unit="steps"
          width={92}
          min={1}
          max={1_024}
          value={ornament.steps}
          commit={(steps) => put({ ornament: { kind: 'slide', steps } })}
        />
      )}
      {ornament?.kind === 'vibrato' && (
        <NumberField
          label=""
          aria-label="Cents to each side"
          unit="cents"
          width={92}
          min={1}
          max={200}
          value={ornament.cents}
          commit={(cents) => put({ ornament: { kind: 'vibrato', cents } })}
        />
      )}
      {ornament?.kind === 'arpeggio' && (
        <TextField
          size="xs"
          w={92}
          classNames={{ input: 'number' }}
          aria-label="Semitones above"
          value={ornament.above.join(' ')}
          commit={(typed) => {
            const above = readAbove(typed);
            return above ? put({ ornament: { kind: 'arpeggio', above } }) : 'Expected semitones such as 4 7.';
          }}
        />
      )}
      at
      <NumberField
        label=""
        aria-label="Loudness of the note"
        unit="%"
        width={72}
        min={1}
        max={100}
        value={note.percent}
        commit={(percent) => put({ percent })}
      />
      {putAll && (
        <Button size="compact-xs" variant="subtle" onClick={() => putAll({ percent: note.percent })}>
          So loud for the whole voice
        </Button>
      )}
      <Button size="compact-xs" variant="subtle" onClick={remove}>
        Take the note out
      </Button>
    </div>
  );
}
