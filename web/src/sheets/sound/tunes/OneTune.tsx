import { ActionIcon, Button, Menu } from '@mantine/core';
import { useElementSize } from '@mantine/hooks';
import { IconDots } from '@tabler/icons-react';
import {
  gridAt,
  limits,
  performedFile,
  printTuneTable,
  performedIn,
  stepsOf,
  tuneLengthUs,
  tuneMemory,
  writeMidiFile,
  type Gadget,
  type Tune,
  type TuneEncoding,
  type Tuning,
} from '@hum-lever/core';
import { useEffect, useRef, useState } from 'react';
import { edit } from '../../../client/index.ts';
import { count, saveFile, showBytes, showDuration, usePlace } from '../../../shared/index.ts';
import { lab } from '../../../workers/index.ts';
import { PlaceLink } from '../PlaceLink.tsx';
import { PlayOn } from './PlayOn.tsx';
import { Sections, TuneSentence } from './TuneSentence.tsx';
import { longestWavUs, useHearing } from '../useHearing.ts';
import { Voice } from './Voice.tsx';
import classes from './Tunes.module.css';

/** Steps narrower than this are not told apart, px; wider ones would make a short tune as wide as a long one. */
const [leastStepPx, mostStepPx] = [5, 24];

/** One tune: what it is in a sentence, its voices on the grid, and where it is played. */
export function OneTune({
  gadget,
  tune,
  tunings,
}: {
  gadget: Gadget;
  tune: Tune;
  tunings: readonly Tuning[];
}) {
  const { id, className } = usePlace(tune.id);
  const [refused, setRefused] = useState<string | null>(null);
  const [chosen, setChosen] = useState<{ voiceId: string; index: number } | null>(null);
  // Of a long one, as much as anybody listens to.
  const hearing = useHearing(tune, () => lab().tuneWav(gadget, tune, longestWavUs));
  const head = useRef<HTMLDivElement>(null);
  const steps = stepsOf(tune);
  const { ref: room, width } = useElementSize();
  const stepPx = Math.max(leastStepPx, Math.min(mostStepPx, Math.floor(width / steps)));
  const lengthUs = tuneLengthUs(tune);
  const told = performedIn(gadget).filter((one) => one.tune.id === tune.id);
  usePlayhead(head, hearing.sounding, () => {
    const us = hearing.nowUs();
    const at = us === null ? null : gridAt(tune, us);
    return at === null ? null : at * stepPx;
  });
  const run = (name: Parameters<typeof edit>[0]) => {
    const why = edit(name);
    setRefused(why);
    return why;
  };
  /** Of the first sounder that plays it, or that there is. */
  const sounder =
    tunings.find(({ output }) => told.some(({ action }) => action.outputId === output.id)) ?? tunings[0];
  return (
    <section id={id} className={`${classes.tune} ${className ?? ''}`} aria-label={`Tune ${tune.name}`}>
      <div className={classes.head}>
        <h2>{tune.name}</h2>
        <Button size="compact-sm" variant="default" onClick={hearing.sounding ? hearing.stop : hearing.hear}>
          {hearing.sounding ? 'Stop it' : 'Hear it'}
        </Button>
        <Menu position="bottom-end">
          <Menu.Target>
            <ActionIcon variant="subtle" size="sm" aria-label={`More of ${tune.name}`}>
              <IconDots size={16} />
            </ActionIcon>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item
              disabled={tune.voices.length >= limits.voices}
              onClick={() =>
                run({
                  name: 'addVoice',
                  args: [tune.id, { name: `Voice ${tune.voices.length + 1}`, notes: [] }],
                })
              }
            >
              Add a voice
            </Menu.Item>
            <Menu.Item
              onClick={() => saveFile(`${tune.name}.mid`, 'audio/midi', writeMidiFile(performedFile(tune)))}
            >
              Save as MIDI file
            </Menu.Item>
            <Menu.Item
              disabled={lengthUs > longestWavUs}
              onClick={() =>
                void lab()
                  .tuneWav(gadget, tune)
                  .then((wav) => saveFile(`${tune.name}.wav`, 'audio/wav', wav))
              }
            >
              Save as WAV file
            </Menu.Item>
            <Menu.Item onClick={() => saveFile(`${tune.name}.h`, 'text/x-c', printTuneTable(tune))}>
              Save as tables of bytes
            </Menu.Item>
            <Menu.Item onClick={() => run({ name: 'removeTune', args: [tune.id] })}>
              Take the tune out
            </Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </div>
      <p>
        <TuneSentence tune={tune} put={(patch) => edit({ name: 'changeTune', args: [tune.id, patch] })} />
      </p>
      <Sections
        tune={tune}
        put={(patch) => edit({ name: 'changeTune', args: [tune.id, patch] })}
        run={(patch) => run({ name: 'changeTune', args: [tune.id, patch] })}
      />
      <div ref={room} className={classes.voices}>
        <div ref={head} className={classes.playhead} hidden />
        {tune.voices.map((voice) => (
          <Voice
            key={voice.id}
            tune={tune}
            voice={voice}
            steps={steps}
            stepPx={stepPx}
            sounder={sounder}
            chosen={chosen?.voiceId === voice.id ? chosen.index : null}
            choose={(index) => setChosen(index === null ? null : { voiceId: voice.id, index })}
            put={(patch) => edit({ name: 'changeVoice', args: [voice.id, patch] })}
            run={(patch) => run({ name: 'changeVoice', args: [voice.id, patch] })}
            remove={() => run({ name: 'removeVoice', args: [voice.id] })}
          />
        ))}
      </div>
      {(refused ?? hearing.refused) !== null && <p role="alert">{refused ?? hearing.refused}</p>}
      <p className={classes.soft}>
        {memoryWords(tune, lengthUs)}{' '}
        {told.length === 0
          ? 'Nothing plays it yet.'
          : told.map(({ action, place, name }, n) => (
              <span key={n}>
                {n === 0 ? 'Played' : ';'} {voiceWords(tune, action.voiceId)} on “
                {gadget.outputs.find((output) => output.id === action.outputId)?.name}” in{' '}
                <PlaceLink place={place}>{name}</PlaceLink>
                {n === told.length - 1 && '.'}
              </span>
            ))}
      </p>
      {told.length === 0 && tunings.length > 0 && <PlayOn gadget={gadget} tune={tune} tunings={tunings} />}
    </section>
  );
}

const encodingWords: Record<TuneEncoding, string> = {
  pairs: 'a byte for each note and one for its length',
  single: 'a byte for each note with its length',
  phrases: 'phrases that come again named by where they were',
};

function memoryWords(tune: Tune, lengthUs: number): string {
  const { bytes, best } = tuneMemory(tune);
  const notes = tune.voices.reduce((sum, voice) => sum + voice.notes.length, 0);
  const how = notes === 0 ? '' : `, ${encodingWords[best]}`;
  return `${count(notes, 'note')}, ${showDuration(lengthUs)} once through; ${showBytes(bytes)} of the program${how}.`;
}

const voiceWords = ({ voices }: Tune, voiceId: string | null): string =>
  voiceId === null ? '' : (voices.find(({ id }) => id === voiceId)?.name ?? '');

/** Moves a line along while it sounds. */
function usePlayhead(
  line: { readonly current: HTMLDivElement | null },
  on: boolean,
  atPx: () => number | null,
) {
  const at = useRef(atPx);
  useEffect(() => {
    at.current = atPx;
  });
  useEffect(() => {
    if (!on) return;
    let frame = 0;
    const element = line.current;
    const draw = () => {
      const px = at.current();
      if (element) {
        element.hidden = px === null;
        element.style.transform = `translateX(${px ?? 0}px)`;
      }
      frame = requestAnimationFrame(draw);
    };
    draw();
    return () => {
      cancelAnimationFrame(frame);
      if (element) element.hidden = true;
    };
  }, [on, line]);
}
