import {
  bentHz,
  channelOf,
  isHeardAt,
  received,
  silentReceiver,
  type Gadget,
  type Receiver,
} from '@hum-lever/core';
import { ear } from '../voice.ts';

/** Programs come in families of eight; each sounds in one of four ways. */
const waves = ['triangle', 'sine', 'sawtooth', 'square'] as const;

interface Heard {
  receiver: Receiver;
  /** Whose other end it is, which says what is heard there. */
  outputId: string;
  gadget: Pick<Gadget, 'neighbours'>;
}

/** What stands in for the sound equipment at the other end: a voice for each note, its program by its wave. */
export const midi = ear<'midi', 'midi', Heard>({
  lane: 'midi',
  begin: ({ id }, gadget) => ({ receiver: silentReceiver, outputId: id, gadget }),
  at: (was, { receiver }) => ({ ...was, receiver }),
  hear: (was, { bytes }) => ({ ...was, receiver: received(was.receiver, bytes) }),
  voices: ({ receiver, outputId, gadget }) =>
    Object.fromEntries(
      receiver.sounding
        .filter(({ channel }) => isHeardAt(gadget, outputId, channel, 'notes'))
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
});
