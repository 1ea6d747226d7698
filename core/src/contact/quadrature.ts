/**
 * The two channels of an encoder at a count: they make and break a quarter of a cycle apart, so that one of them
 * changes with each count, and clockwise A leads. Counts are whole and may be negative.
 */
export function channelsAt(count: number): { a: 0 | 1; b: 0 | 1 } {
  const quarter = ((count % 4) + 4) % 4;
  return { a: quarter === 1 || quarter === 2 ? 1 : 0, b: quarter >= 2 ? 1 : 0 };
}

/** Which channel changes between two neighbouring counts. */
export function changingChannel(from: number, to: number): 'a' | 'b' {
  return channelsAt(from).a === channelsAt(to).a ? 'b' : 'a';
}

/** When the `n`th count, from 0, of an even turn comes, µs from its beginning: the last one at its end. @param counts > 0 */
export const countTimeUs = (n: number, counts: number, overUs: number): number =>
  Math.round((overUs * (n + 1)) / counts);

/** When each count of an even turn comes, µs from its beginning. @param counts > 0 */
export const countTimesUs = (counts: number, overUs: number): number[] =>
  Array.from({ length: counts }, (_, n) => countTimeUs(n, counts, overUs));
