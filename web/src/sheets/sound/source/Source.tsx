import { Button } from '@mantine/core';
import { limits, noteName, pitchClass, wireFaults, type Gadget } from '@hum-lever/core';
import { useEffect } from 'react';
import { Choice, NumberField } from '../../../shared/index.ts';
import { Monitor } from './Monitor.tsx';
import {
  keyDown,
  keyUp,
  leaveSource,
  setSensing,
  setTempo,
  startTicking,
  stopTicking,
  useSource,
} from './source.ts';
import classes from './Source.module.css';

const faultWords = {
  none: 'with nothing wrong',
  wrongChannel: 'on the next channel',
  droppedByte: 'that drops a byte of every third message',
  hangingNote: 'that loses every third end of a note',
  reversedCable: 'the wrong way round, or pulled out',
  programsOnly: 'from equipment that sends programs alone',
} as const;

/** Keys that are shown: two octaves and the next. */
const keysShown = 25;
const isBlack = (note: number) => [1, 3, 6, 8, 10].includes(pitchClass(note));

/** A keyboard and a clock that stand in for equipment, a cable with what may be wrong with it, and what goes over it. */
export function Source({ gadget }: { gadget: Gadget }) {
  const { channel, velocity, lowest, sensing, bpm, ticking, fault } = useSource();
  useEffect(() => leaveSource, []);
  const put = (patch: Partial<Parameters<typeof useSource.setState>[0]>): null => {
    useSource.setState(patch);
    return null;
  };
  const notes = Array.from({ length: keysShown }, (_, n) => lowest + n).filter((note) => note < 128);
  return (
    <div className={classes.source}>
      <p className={classes.line}>
        A keyboard on channel
        <NumberField
          label=""
          aria-label="Channel of the keyboard"
          width={62}
          min={1}
          max={16}
          value={channel}
          commit={(chosen) => put({ channel: chosen })}
        />
        at velocity
        <NumberField
          label=""
          aria-label="Velocity of the keyboard"
          width={68}
          min={1}
          max={127}
          value={velocity}
          commit={(chosen) => put({ velocity: chosen })}
        />
        from
        <Choice
          label="Lowest key"
          data={[0, 12, 24, 36, 48, 60, 72, 84, 96].map((note) => ({
            value: String(note),
            label: noteName(note),
          }))}
          value={String(lowest)}
          choose={(chosen) => put({ lowest: Number(chosen) })}
        />
        <Choice
          label="What it says by itself"
          data={[
            { value: 'nothing', label: 'says nothing by itself' },
            { value: 'there', label: 'says again and again that it is there' },
          ]}
          value={sensing ? 'there' : 'nothing'}
          choose={(chosen) => setSensing(chosen === 'there')}
        />
      </p>
      <p className={classes.line}>
        Its cable leads here
        <Choice
          label="What is wrong with the cable"
          data={wireFaults.map((value) => ({ value, label: faultWords[value] }))}
          value={fault}
          choose={(chosen) => put({ fault: chosen })}
        />
      </p>
      <div className={classes.keyboard} role="group" aria-label="Keyboard beside the gadget">
        {notes.map((note) => (
          <Key key={note} note={note} />
        ))}
      </div>
      <p className={classes.line}>
        A clock of
        <NumberField
          label=""
          aria-label="Tempo of the clock"
          unit="beats a minute"
          width={190}
          min={limits.leastTempo}
          max={limits.mostTempo}
          value={bpm}
          commit={(chosen) => {
            setTempo(chosen);
            return null;
          }}
        />
        <Button
          size="compact-sm"
          variant="default"
          aria-pressed={ticking}
          onClick={ticking ? stopTicking : startTicking}
        >
          {ticking ? 'Stop the clock' : 'Start the clock'}
        </Button>
      </p>
      <Monitor gadget={gadget} />
    </div>
  );
}

/** Down as long as it is held, by a pointer or by the space bar. */
function Key({ note }: { note: number }) {
  return (
    <button
      type="button"
      className={classes.key}
      data-black={isBlack(note) || undefined}
      aria-label={noteName(note)}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        keyDown(note, event.timeStamp);
      }}
      onPointerUp={(event) => keyUp(note, event.timeStamp)}
      onLostPointerCapture={(event) => keyUp(note, event.timeStamp)}
      onKeyDown={(event) => {
        if (event.key !== ' ' && event.key !== 'Enter') return;
        event.preventDefault();
        event.stopPropagation();
        keyDown(note, event.timeStamp);
      }}
      onKeyUp={(event) => {
        if (event.key !== ' ' && event.key !== 'Enter') return;
        event.stopPropagation();
        keyUp(note, event.timeStamp);
      }}
      onBlur={(event) => keyUp(note, event.timeStamp)}
    >
      {pitchClass(note) === 0 ? noteName(note) : ''}
    </button>
  );
}
