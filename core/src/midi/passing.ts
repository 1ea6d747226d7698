import { endsAllNotes, kindOfStatus, messageBytes, releaseVelocity } from './message.ts';
import { isHeldBy } from '../output/index.ts';
import { send, type Bytes, type On, type SentMidi } from './sending.ts';

/** The sustaining pedal, and where it stands among what has an end: behind all notes. */
const [pedal, pedalPlace] = [64, 128] as const;
/** Something of a channel that went on and will have an end: a note, or its pedal. @param channel from 0 */
const heldPassed = (channel: number, what: number): number => channel * 256 + what;
const channelPassed = (one: number): number => one >> 8;
/** Whether a note that came in and went on has not ended. @param channel from 1 */
export const isPassed = ({ passed }: SentMidi, note: number, channel: number): boolean =>
  passed.includes(heldPassed(channel - 1, note));

/** What a message begins or ends of that which went on; null: neither. */
function turned([status = 0, first = 0, second = 0]: Bytes): { one: number; begins: boolean } | null {
  const channel = status & 0xf;
  switch (kindOfStatus(status)) {
    case 'noteOn':
      return { one: heldPassed(channel, first), begins: second > 0 };
    case 'noteOff':
      return { one: heldPassed(channel, first), begins: false };
    case 'control':
      return first === pedal ? { one: heldPassed(channel, pedalPlace), begins: second >= 64 } : null;
    default:
      return null;
  }
}

/** Whether it goes on by what is chosen. */
function isChosen({ passes }: SentMidi, [status = 0]: Bytes, { output }: On): boolean {
  const what = passes ?? output.passes;
  if (what === 'nothing') return false;
  if (!kindOfStatus(status)) return what === 'everything';
  const { passedChannels } = output;
  return passedChannels.length === 0 || passedChannels.includes((status & 0xf) + 1);
}

/** The line that it came by is gone: what went on and has not ended does. */
export const endPassed = (was: SentMidi, on: On): SentMidi =>
  was.passed.reduce((now, one) => passOn(now, endOf(one), on), was);
const endOf = (one: number): Bytes => {
  const [channel, what] = [channelPassed(one) + 1, one & 0xff];
  return what === pedalPlace
    ? messageBytes('control', channel, pedal, 0)
    : messageBytes('noteOff', channel, what, releaseVelocity);
};

/**
 * What comes in goes on, as far as it is chosen. The end of what went on always does, whatever is chosen by then: so no
 * note sticks that came in, and no pedal. One that a key holds, too, ends with the last of them where that is how shared
 * notes end.
 */
export function passOn(was: SentMidi, bytes: Bytes, on: On): SentMidi {
  const turn = turned(bytes);
  const [status = 0, first = 0] = bytes;
  if (turn && !turn.begins) {
    if (!was.passed.includes(turn.one)) return isChosen(was, bytes, on) ? send(was, bytes, on) : was;
    const now = { ...was, passed: was.passed.filter((one) => one !== turn.one) };
    const isNote = first !== pedal || kindOfStatus(status) !== 'control';
    const holdsOn = isNote && on.output.shared === 'last' && isHeldBy(was.held, first, (status & 0xf) + 1);
    return holdsOn ? now : send(now, bytes, on);
  }
  if (kindOfStatus(status) === 'control' && endsAllNotes(first)) {
    const left = was.passed.filter((one) => channelPassed(one) !== (status & 0xf));
    const ended = left.length < was.passed.length;
    return ended || isChosen(was, bytes, on) ? send({ ...was, passed: left }, bytes, on) : was;
  }
  if (!isChosen(was, bytes, on)) return was;
  const now = turn && !was.passed.includes(turn.one) ? { ...was, passed: [...was.passed, turn.one] } : was;
  return send(now, bytes, on);
}
