import { bentHz, channelOf, received, silentReceiver, type Receiver } from '@hum-lever/core';
import { ear } from '../voice.ts';

/** Programs come in families of eight; each sounds in one of four ways. */
const waves = ['triangle', 'sine', 'sawtooth', 'square'] as const;

/** What stands in for the sound equipment at the other end: a voice for each note, its program by its wave. */
export const midi = ear<'midi', 'midi', Receiver>({
  lane: 'midi',
  begin: () => silentReceiver,
  at: (_was, { receiver }) => receiver,
  hear: (was, { bytes }) => received(was, bytes),
  voices: (receiver) =>
    Object.fromEntries(
      receiver.sounding.map(({ channel, note, velocity }) => {
        const { program, bend, volume } = channelOf(receiver, channel);
        return [
          `${channel} ${note}`,
          {
            hz: bentHz(note, bend),
            wave: waves[(program >> 3) % waves.length]!,
            loudness: ((velocity / 127) * volume) / 127,
          },
        ];
      }),
    ),
});
