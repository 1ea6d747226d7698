import { midiOverloads, passings } from '@hum-lever/core';
import { Choice, NumberField } from '../../shared/index.ts';
import { ChannelsField } from './ChannelsField.tsx';
import { passingWords } from './words.ts';
import type { FiguresOf } from '../figuresOf.ts';

const overloadWords = {
  wait: 'the loop waits for room',
  newest: 'what has no room is lost',
  oldest: 'what waited longest is lost',
  merge: 'older values give way to newer ones',
} as const;

export const midi: FiguresOf<'midi'> = ({ output, change }) => (
  <>
    {output.transport !== 'usb' && (
      <Choice
        label={`Time of ${output.name}`}
        data={[
          { value: 'wire', label: 'a byte takes 320\u202fµs' },
          { value: 'free', label: 'its wire takes no time' },
        ]}
        value={output.transport}
        choose={(transport) => change({ transport })}
      />
    )}
    {output.transport === 'wire' && (
      <Choice
        label={`Status bytes of ${output.name}`}
        data={[
          { value: 'all', label: 'each message whole' },
          { value: 'running', label: 'a status byte only where it changes' },
        ]}
        value={output.runningStatus ? 'running' : 'all'}
        choose={(chosen) => change({ runningStatus: chosen === 'running' })}
      />
    )}
    <Choice
      label={`Notes of several keys at ${output.name}`}
      data={[
        { value: 'last', label: 'a note of two keys ends with the last' },
        { value: 'first', label: 'a note of two keys ends with the first' },
      ]}
      value={output.shared}
      choose={(shared) => change({ shared })}
    />
    <span>it passes on</span>
    <Choice
      label={`What ${output.name} passes on`}
      data={passings.map((value) => ({ value, label: passingWords[value] }))}
      value={output.passes}
      choose={(passes) => change({ passes })}
    />
    {output.passes !== 'nothing' && (
      <>
        <span>on channels</span>
        <ChannelsField
          label={`Channels that ${output.name} passes on`}
          channels={output.passedChannels}
          commit={(passedChannels) => change({ passedChannels })}
        />
      </>
    )}
    {output.transport !== 'free' && (
      <>
        <NumberField
          label=""
          aria-label="Queue"
          unit="bytes"
          width={110}
          min={3}
          max={4_096}
          value={output.queueBytes}
          commit={(queueBytes) => change({ queueBytes })}
        />
        <span>wait;</span>
        <Choice
          label={`When the queue of ${output.name} is full`}
          data={midiOverloads.map((value) => ({ value, label: overloadWords[value] }))}
          value={output.overload}
          choose={(overload) => change({ overload })}
        />
      </>
    )}
  </>
);
