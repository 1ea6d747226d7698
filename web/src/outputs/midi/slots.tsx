import { midiMessages, mostOf, numbersOf, type MidiMessage } from '@hum-lever/core';
import { Choice, NumberField } from '../../shared/index.ts';
import { ExpressionSlot } from '../../slots/index.ts';
import type { SlotsBy } from '../slotsBy.ts';
import { messageWords } from './words.ts';

const secondWords: Partial<Record<MidiMessage, string>> = { control: 'to', keyPressure: 'by' };

export const midi: SlotsBy<'midi'> = {
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
      channel
      <NumberField
        label=""
        aria-label="Channel"
        width={62}
        min={1}
        max={16}
        value={action.channel}
        commit={(channel) => put({ ...action, channel })}
      />
    </>
  ),
};
