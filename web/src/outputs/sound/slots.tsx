import type { Note } from '@hum-lever/core';
import { ExpressionSlot, PlainSlot, TimeSlot } from '../../slots/index.ts';
import { EffectSlot, TempoSlot, TuneSlots } from './TuneSlots.tsx';
import { LoudSlot } from '../LoudSlot.tsx';
import { KeySlot, RowSlots, UpSlot } from '../KeyNotes.tsx';
import type { SlotsBy } from '../slotsBy.ts';

/** Notes as text: pitch and length, one after the other. */
function notesOf(typed: string): Note[] | null {
  const notes = typed.split(',').map((note) => /^\s*(\d+)\s*\/\s*(\d+)\s*$/.exec(note));
  if (notes.some((note) => note === null)) return null;
  return notes.map((note) => ({ hz: Number(note![1]), lengthUs: Number(note![2]) * 1_000 }));
}

export const tone: SlotsBy<
  'tone' | 'tune' | 'silence' | 'sing' | 'hush' | 'perform' | 'pace' | 'finish' | 'effect' | 'loud'
> = {
  tone: ({ action, put }) => (
    <>
      sounds at
      <ExpressionSlot label="Pitch in hertz" value={action.hz} commit={(hz) => put({ ...action, hz })} />
      Hz {action.lengthUs === 0 ? 'until changed' : 'for'}
      <TimeSlot
        label="Length, 0 until changed"
        value={action.lengthUs}
        commit={(lengthUs) => put({ ...action, lengthUs })}
      />
    </>
  ),
  tune: ({ action, put }) => (
    <>
      plays
      <PlainSlot
        wide
        label="Notes as hertz/milliseconds, with commas"
        value={action.notes.map(({ hz, lengthUs }) => `${hz}/${lengthUs / 1_000}`).join(', ')}
        commit={(typed) => {
          const notes = notesOf(typed);
          return notes
            ? put({ ...action, notes })
            : 'Expected notes such as 440/150, 0/50: hertz and milliseconds.';
        }}
      />
    </>
  ),
  silence: () => 'falls silent',
  loud: ({ action, put }) => (
    <>
      sounds <LoudSlot value={action.percent} commit={(percent) => put({ ...action, percent })} /> from now on
    </>
  ),
  sing: ({ action, put }) => (
    <>
      sounds <RowSlots action={action} put={(patch) => put({ ...action, ...patch })} />
      for <KeySlot action={action} put={put} />
    </>
  ),
  perform: ({ action, put }) => (
    <>
      plays <TuneSlots action={action} put={(patch) => put({ ...action, ...patch })} />
      <UpSlot value={action.by} commit={(by) => put({ ...action, by })} />
      <TempoSlot value={action.bpm} commit={(bpm) => put({ ...action, bpm })} />
    </>
  ),
  pace: ({ action, put }) => (
    <>
      goes on with its tune <TempoSlot value={action.bpm} commit={(bpm) => put({ ...action, bpm })} />,{' '}
      <UpSlot value={action.by} commit={(by) => put({ ...action, by })} />
    </>
  ),
  finish: () => 'ends its tune',
  effect: ({ action, put }) => (
    <>
      sounds <EffectSlot value={action.effectId} choose={(effectId) => void put({ ...action, effectId })} />
      moved up by
      <ExpressionSlot
        short
        label="Cents up"
        value={action.byCents}
        commit={(byCents) => put({ ...action, byCents })}
      />
      cents
    </>
  ),
  hush: ({ action, put }) => (
    <>
      ends what sounds for <KeySlot action={action} put={put} />
    </>
  ),
};
