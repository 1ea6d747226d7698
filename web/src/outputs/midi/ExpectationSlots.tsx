import { heardMessages, isSync, mostOf, numbersOf } from '@hum-lever/core';
import { Choice, NumberField } from '../../shared/index.ts';
import { ChannelSlot } from './ChannelSlot.tsx';
import { sentWords } from './words.ts';
import type { ExpectationSlots } from '../expected.ts';

export const midi: ExpectationSlots<'midi'> = ({ what, put }) => {
  const number = (label: string, most: number, value: number, commit: (value: number) => null) => (
    <NumberField label="" aria-label={label} width={62} min={0} max={most} value={value} commit={commit} />
  );
  return (
    <>
      <Choice
        label="Message"
        data={heardMessages.map((value) => ({ value, label: sentWords[value] }))}
        value={what.message}
        choose={(message) => put({ ...what, message, second: numbersOf(message) === 2 ? what.second : null })}
      />
      {!isSync(what.message) && (
        <>
          {number('Number', mostOf(what.message), what.first, (first) => put({ ...what, first }))}
          <ChannelSlot value={what.channel} commit={(channel) => put({ ...what, channel })} />
        </>
      )}
      {numbersOf(what.message) === 2 && (
        <Choice
          label="Second number"
          data={[
            { value: 'any', label: 'at any value' },
            { value: 'one', label: 'at' },
          ]}
          value={what.second === null ? 'any' : 'one'}
          choose={(chosen) => put({ ...what, second: chosen === 'any' ? null : 64 })}
        />
      )}
      {what.second !== null && number('Value', 127, what.second, (second) => put({ ...what, second }))}
    </>
  );
};
