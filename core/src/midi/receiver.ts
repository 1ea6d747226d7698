import { noteHz } from '../notes/index.ts';
import { endsAllNotes, kindOfStatus } from './message.ts';

/** A note at the other end. */
export interface Sounding {
  channel: number;
  note: number;
  velocity: number;
  /** Its key was let go, and the pedal holds it. */
  kept: boolean;
}

/** What a channel was told, as far as it is another than at power-up. */
export interface ChannelState {
  program: number;
  /** 0 to 16383; 8192 is none. */
  bend: number;
  volume: number;
  pedal: boolean;
}

/** Sound equipment that is sent messages: what sounds, and how each channel is set. Plain JSON, and never written to. */
export interface Receiver {
  sounding: readonly Sounding[];
  /** By channel from 1; one that is not there is as at power-up. */
  channels: Readonly<Record<string, ChannelState>>;
}

/** Source: MIDI 1.0, recommended practice at power-up. */
export const freshChannel: ChannelState = { program: 0, bend: 8_192, volume: 100, pedal: false };
export const silentReceiver: Receiver = { sounding: [], channels: {} };

export const channelOf = ({ channels }: Receiver, channel: number): ChannelState =>
  channels[channel] ?? freshChannel;

const set = (was: Receiver, channel: number, patch: Partial<ChannelState>): Receiver => ({
  ...was,
  channels: { ...was.channels, [channel]: { ...channelOf(was, channel), ...patch } },
});

function ended(was: Receiver, channel: number, note: number): Receiver {
  const { pedal } = channelOf(was, channel);
  const isIt = (one: Sounding) => one.channel === channel && one.note === note;
  return {
    ...was,
    sounding: pedal
      ? was.sounding.map((one) => (isIt(one) ? { ...one, kept: true } : one))
      : was.sounding.filter((one) => !isIt(one)),
  };
}

/** Controllers that sound equipment commonly hears: volume, the sustaining pedal, reset, and what ends notes. */
function controlled(was: Receiver, channel: number, controller: number, value: number): Receiver {
  const others = was.sounding.filter((one) => one.channel !== channel);
  if (endsAllNotes(controller)) return { ...was, sounding: others };
  if (controller === 7) return set(was, channel, { volume: value });
  if (controller === 64) {
    const now = set(was, channel, { pedal: value >= 64 });
    const left = now.sounding.filter((one) => one.channel !== channel || !one.kept);
    return value >= 64 ? now : { ...now, sounding: left };
  }
  if (controller !== 121) return was;
  const { bend, pedal } = freshChannel;
  const left = was.sounding.filter((one) => one.channel !== channel || !one.kept);
  return { ...set(was, channel, { bend, pedal }), sounding: left };
}

/**
 * What a whole message makes of it. A note-on at velocity 0 is a note-off; one for a note that sounds begins it anew.
 * Source: MIDI 1.0, channel voice and mode messages.
 * @param bytes none: the line is gone, and nothing sounds on
 */
export function received(was: Receiver, bytes: readonly number[]): Receiver {
  const [status, first = 0, second = 0] = bytes;
  if (status === undefined) return { ...was, sounding: [] };
  const channel = (status & 0xf) + 1;
  switch (kindOfStatus(status)) {
    case 'noteOn': {
      if (second === 0) return ended(was, channel, first);
      const others = was.sounding.filter((one) => one.channel !== channel || one.note !== first);
      return { ...was, sounding: [...others, { channel, note: first, velocity: second, kept: false }] };
    }
    case 'noteOff':
      return ended(was, channel, first);
    case 'control':
      return controlled(was, channel, first, second);
    case 'program':
      return set(was, channel, { program: first });
    case 'bend':
      return set(was, channel, { bend: first | (second << 7) });
    default:
      return was;
  }
}

/** How far a bend of all it can goes either way, semitones, where nobody said otherwise. Source: MIDI 1.0. */
const bendSemitones = 2;

/** Pitch of a note that is bent. Source: reckoning, Sound. @returns Hz */
export const bentHz = (note: number, bend: number = freshChannel.bend): number =>
  noteHz(note + (bendSemitones * (bend - freshChannel.bend)) / 8_192);
