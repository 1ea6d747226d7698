/** “I am still here”, said again and again by whoever wants notes to end when the line does. Source: MIDI 1.0, active sensing. */
export const sensingByte = 0xfe;
/**
 * Whoever has heard that once takes the line for gone where nothing at all comes for so long. It is said at least every
 * 300 ms, and a tenth more is waited. Source: MIDI 1.0, active sensing.
 */
export const goneUs = 330_000;

/** The gadget's own in, and the in of the other end. */
export type Side = 'here' | 'there';
/** What came on each side since somebody there said that he is; 0: nobody has, and nothing is minded. */
export type Sensed = Readonly<Record<Side, number>>;

export const nobodySensed: Sensed = { here: 0, there: 0 };

/** A message has come. @returns the same where nothing is minded */
export const sensedAfter = (was: Sensed, side: Side, [byte]: readonly number[]): Sensed =>
  was[side] === 0 && byte !== sensingByte ? was : { ...was, [side]: was[side] + 1 };

/** From now on nothing is minded, until somebody says once more that he is there. */
export const goneAt = (was: Sensed, side: Side): Sensed => ({ ...was, [side]: 0 });
