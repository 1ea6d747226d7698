import type { Bytes, On, SentMidi, Side } from './sending.ts';

/** “I am still here”, said again and again by whoever wants notes to end when the line does. Source: MIDI 1.0, active sensing. */
export const sensingByte = 0xfe;
/**
 * Whoever has heard that once takes the line for gone where nothing at all comes for so long. It is said at least every
 * 300 ms, and a tenth more is waited. Source: MIDI 1.0, active sensing.
 */
export const goneUs = 330_000;

/** Something has come: where it is minded, the next has to come in time. */
export function sensed(was: SentMidi, side: Side, bytes: Bytes, on: On): SentMidi {
  if (was.sensed[side] === 0 && bytes[0] !== sensingByte) return was;
  const count = was.sensed[side] + 1;
  on.plan(goneUs, { gone: side, count });
  return withSensed(was, side, count);
}

/** From now on nothing is minded, until the next says that he is there. */
export const unsensed = (was: SentMidi, side: Side): SentMidi => withSensed(was, side, 0);

const withSensed = (was: SentMidi, side: Side, count: number): SentMidi => ({
  ...was,
  sensed: { ...was.sensed, [side]: count },
});
