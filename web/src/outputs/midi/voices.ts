import {
  bentHz,
  channelOf,
  drumChannel,
  isHeardAt,
  received,
  silentReceiver,
  type Gadget,
  type Receiver,
} from '@hum-lever/core';
import { ear } from '../voice.ts';
import { drumVoices, struckBy, type Strike } from './drums.ts';

/** Programs come in families of eight; each sounds in one of four ways. */
const waves = ['triangle', 'sine', 'sawtooth', 'square'] as const;

interface Heard {
  receiver: Receiver;
  struck: readonly Strike[];
  /** Whose other end it is, which says what is heard there. */
  outputId: string;
  gadget: Pick<Gadget, 'neighbours'>;
}

/**
 * What stands in for the sound equipment at the other end: a voice for each note, its program by its wave; on channel 10
 * drums, which are struck and fade by themselves.
 */
export const midi = ear<'midi', 'midi', Heard>({
  lane: 'midi',
  begin: ({ id }, gadget) => ({ receiver: silentReceiver, struck: [], outputId: id, gadget }),
  // What was struck before is over.
  at: (was, { receiver }) => ({ ...was, receiver, struck: [] }),
  hear: (was, { bytes }) => ({
    ...was,
    receiver: received(was.receiver, bytes),
    struck: struckBy(was.struck, bytes),
  }),
  voices: ({ receiver, struck, outputId, gadget }) => ({
    ...(isHeardAt(gadget, outputId, drumChannel, 'notes') ? drumVoices(struck) : {}),
    ...Object.fromEntries(
      receiver.sounding
        .filter(({ channel }) => channel !== drumChannel && isHeardAt(gadget, outputId, channel, 'notes'))
        .map(({ channel, note, velocity }) => {
          const { program, bend, volume } = channelOf(receiver, channel);
          const takes = (kind: 'programs' | 'controls') => isHeardAt(gadget, outputId, channel, kind);
          return [
            `${channel} ${note}`,
            {
              hz: bentHz(note, takes('controls') ? bend : undefined),
              wave: waves[takes('programs') ? (program >> 3) % waves.length : 0]!,
              loudness: (velocity / 127) * (takes('controls') ? volume / 127 : 1),
            },
          ];
        }),
    ),
  }),
});
