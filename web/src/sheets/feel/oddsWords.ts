import type { Odds } from '@hum-lever/core';

const percent = (perMille: number) => {
  const value = perMille / 10;
  const digits = value >= 10 ? 0 : value >= 1 ? 1 : 2;
  return `${value.toFixed(digits)}\u202f%`;
};
const whole = (n: number) => n.toLocaleString('en').replaceAll(',', '\u202f');

/** A count with what it may truly be; none is never just none. */
export function oddsWords({ count, of, lowPerMille, highPerMille }: Odds): string {
  const counted = `${whole(count)} of ${whole(of)}`;
  // Rounded up: a bound must not look lower than it is.
  const bound = Math.ceil(highPerMille * 10) / 10;
  if (count === 0) return `${counted}, below ${percent(bound)} with 95\u202f% confidence`;
  return `${counted}, ${percent(lowPerMille)} to ${percent(highPerMille)}`;
}

/** The same in a cell of a table: per 1,000. */
export function oddsCell({ count, lowPerMille, highPerMille }: Odds): string {
  const short = (n: number) => (n >= 100 ? n.toFixed(0) : n.toFixed(1));
  if (count === 0) return `below ${(Math.ceil(highPerMille * 10) / 10).toFixed(1)}`;
  return `${short(lowPerMille)}–${short(highPerMille)}`;
}
