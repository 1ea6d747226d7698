import { midiMessages, mostOf, numbersOf, pressedAgain, type MidiMessage } from '@hum-lever/core';
import { Choice } from '../../shared/index.ts';
import { ExpressionSlot } from '../../slots/index.ts';
import { KeySlot, RowSlots } from '../KeyNotes.tsx';
import type { SlotsBy } from '../slotsBy.ts';
import { ChannelSlot } from './ChannelSlot.tsx';
import { messageWords } from './words.ts';

const secondWords: Partial<Record<MidiMessage, string>> = { control: 'to', keyPressure: 'by' };

export const midi: SlotsBy<'midi' | 'play' | 'letGo' | 'letAllGo'> = {
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
};

const againWords = { strike: 'pressed again, anew', letGo: 'pressed again, no more' } as const;
