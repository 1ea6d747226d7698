import {
  limits,
  midiMessages,
  mostOf,
  numbersOf,
  passings,
  pressedAgain,
  syncMessages,
  type MidiMessage,
} from '@hum-lever/core';
import { Choice, TextField } from '../../shared/index.ts';
import { ExpressionSlot } from '../../slots/index.ts';
import { KeySlot, RowSlots } from '../KeyNotes.tsx';
import type { SlotsBy } from '../slotsBy.ts';
import { ChannelSlot } from './ChannelSlot.tsx';
import { messageWords, passingWords, syncWords } from './words.ts';

const secondWords: Partial<Record<MidiMessage, string>> = { control: 'to', keyPressure: 'by' };

export const midi: SlotsBy<'midi' | 'play' | 'letGo' | 'letAllGo' | 'pass' | 'sync' | 'fine' | 'exclusive'> =
  {
    midi: ({ action, put }) => (
      <>
        <Choice
          label="Message"
          data={midiMessages.map((value) => ({ value, label: messageWords[value] }))}
          value={action.message}
          choose={(message) => put({ ...action, message })}
        />
        <ExpressionSlot
          short
          label={`Number, 0 to ${mostOf(action.message)}`}
          value={action.first}
          commit={(first) => put({ ...action, first })}
        />
        {numbersOf(action.message) === 2 && (
          <>
            {secondWords[action.message] ?? 'at velocity'}
            <ExpressionSlot
              short
              label="Second number, 0 to 127"
              value={action.second}
              commit={(second) => put({ ...action, second })}
            />
          </>
        )}
        <ChannelSlot value={action.channel} commit={(channel) => put({ ...action, channel })} />
      </>
    ),
    play: ({ action, put }) => (
      <>
        plays <RowSlots action={action} put={(patch) => put({ ...action, ...patch })} />
        at velocity
        <ExpressionSlot
          short
          label="Velocity, 1 to 127"
          value={action.velocity}
          commit={(velocity) => put({ ...action, velocity })}
        />
        <ChannelSlot value={action.channel} commit={(channel) => put({ ...action, channel })} />
        for <KeySlot action={action} put={put} />
        <Choice
          label="Pressed again"
          data={pressedAgain.map((value) => ({ value, label: againWords[value] }))}
          value={action.again}
          choose={(again) => put({ ...action, again })}
        />
      </>
    ),
    letGo: ({ action, put }) => (
      <>
        ends what it plays for <KeySlot action={action} put={put} />
      </>
    ),
    letAllGo: () => 'ends what it plays for any key',
    pass: ({ action, put }) => (
      <>
        passes on from now
        <Choice
          label="What goes on"
          data={passings.map((value) => ({ value, label: passingWords[value] }))}
          value={action.what}
          choose={(what) => put({ ...action, what })}
        />
      </>
    ),
    sync: ({ action, put }) => (
      <Choice
        label="To keep in step"
        data={syncMessages.map((value) => ({ value, label: syncWords[value] }))}
        value={action.what}
        choose={(what) => put({ ...action, what })}
      />
    ),
    fine: ({ action, put }) => (
      <>
        moves controller
        <ExpressionSlot
          short
          label="Controller, 0 to 31"
          value={action.controller}
          commit={(controller) => put({ ...action, controller })}
        />
        finely to
        <ExpressionSlot
          short
          label="Value, 0 to 16383"
          value={action.value}
          commit={(value) => put({ ...action, value })}
        />
        <ChannelSlot value={action.channel} commit={(channel) => put({ ...action, channel })} />
      </>
    ),
    exclusive: ({ action, put }) => (
      <>
        sends one maker’s equipment the bytes
        <TextField
          size="xs"
          quoted={false}
          classNames={{ input: 'number' }}
          aria-label="Bytes, 0 to 127"
          value={action.bytes.join(' ')}
          commit={(typed) => {
            const bytes = readBytes(typed);
            return bytes
              ? put({ ...action, bytes })
              : `Expected 1 to ${limits.exclusiveBytes} bytes from 0 to 127 such as 125 1 64.`;
          }}
        />
      </>
    ),
  };

/** @returns null: these are no bytes of a system exclusive */
function readBytes(typed: string): number[] | null {
  const words = typed.split(/[\s,;]+/).filter(Boolean);
  const bytes = words.map(Number);
  const fit = words.every((word) => /^\d{1,3}$/.test(word)) && bytes.every((byte) => byte < 128);
  return fit && bytes.length > 0 && bytes.length <= limits.exclusiveBytes ? bytes : null;
}

const againWords = { strike: 'pressed again, anew', letGo: 'pressed again, no more' } as const;
