import { Button } from '@mantine/core';
import {
  noteHz,
  readVoice,
  showVoice,
  tuned,
  type Tune,
  type TuneNote,
  type TuneVoice,
  type Tuning,
} from '@hum-lever/core';
import { useState } from 'react';
import { TextField } from '../../../shared/index.ts';
import { NoteSentence } from './NoteSentence.tsx';
import { VoiceLane } from './VoiceLane.tsx';
import classes from './Tunes.module.css';

/** A voice of a tune: its lane, the note that is chosen, and its notes as text where it is written. */
export function Voice({
  tune,
  voice,
  steps,
  stepPx,
  sounder,
  chosen,
  choose,
  put,
  run,
  remove,
}: {
  tune: Tune;
  voice: TuneVoice;
  steps: number;
  stepPx: number;
  sounder: Tuning | undefined;
  chosen: number | null;
  choose: (index: number | null) => void;
  /** For what is typed, which says itself why it was refused. */
  put: (patch: Partial<TuneVoice>) => string | null;
  /** For what is done by hand: whoever gave it says so. */
  run: (patch: Partial<TuneVoice>) => string | null;
  remove: () => void;
}) {
  const [writing, setWriting] = useState(false);
  const tunedTo = (note: number) =>
    sounder
      ? tuned(sounder, noteHz(note, sounder.output.perOctave))
      : { hz: 1, heldHz: 1, setting: null, givesHz: 1, cents: 0, levelDb: null };
  const note = chosen === null ? undefined : voice.notes[chosen];
  const change = (patch: Partial<TuneNote>) =>
    put({ notes: voice.notes.map((one, n) => (n === chosen ? { ...one, ...patch } : one)) });
  const changeAll = (patch: Partial<TuneNote>) =>
    void run({ notes: voice.notes.map((one) => ({ ...one, ...patch })) });
  const takeOut = () => {
    run({ notes: voice.notes.filter((_, n) => n !== chosen) });
    choose(null);
  };
  return (
    <div className={classes.voice} role="group" aria-label={`Voice ${voice.name}`}>
      <div className={classes.voiceHead}>
        {writing ? (
          <TextField
            size="xs"
            aria-label="Name of the voice"
            value={voice.name}
            commit={(typed) => put({ name: typed.trim() })}
          />
        ) : (
          <span>{voice.name}</span>
        )}
        <Button
          size="compact-xs"
          variant="subtle"
          aria-expanded={writing}
          aria-label={writing ? `Leave ${voice.name}` : `Write ${voice.name}`}
          onClick={() => setWriting(!writing)}
        >
          {writing ? 'Leave it' : 'Write it'}
        </Button>
        {writing && (
          <Button size="compact-xs" variant="subtle" onClick={remove}>
            Take the voice out
          </Button>
        )}
      </div>
      {writing && (
        <TextField
          size="xs"
          autoFocus
          classNames={{ root: classes.text!, input: 'number' }}
          aria-label={`Notes of ${voice.name} as text`}
          description="C4 a step, C4:2 two, - a rest; C4:4~30 trembles, C4:4/1 slides in over one step, C4:4+4+7 is broken, C4!60 is quieter: 60 %."
          value={showVoice(voice.notes)}
          commit={(typed) => {
            const read = readVoice(typed, steps);
            return read.outcome === 'read' ? put({ notes: read.notes }) : read.message;
          }}
        />
      )}
      <VoiceLane
        tune={tune}
        voice={voice}
        steps={steps}
        stepPx={stepPx}
        tunedTo={tunedTo}
        selected={chosen}
        select={choose}
        put={(notes) => void run({ notes })}
      />
      {note && (
        <NoteSentence
          note={note}
          put={change}
          putAll={voice.notes.some(({ percent }) => percent !== note.percent) ? changeAll : null}
          remove={takeOut}
        />
      )}
    </div>
  );
}
