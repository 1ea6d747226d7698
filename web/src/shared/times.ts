import { lengthUnits, readableUnit, type Length, type LengthUnit } from '@hum-lever/core';

export const wantedTime = 'Expected a time with its unit, such as 250 ms, 1.5 s or 2 min.';
export const wantedLength = 'Expected a time such as 250 ms or 2 min, or an expression in ms.';

/** The unit in which a time is best read. */
const unitOf = (us: number): LengthUnit =>
  readableUnit(us, ['d', 'h', 'min']) ?? (us >= 1_000_000 && us % 100_000 === 0 ? 's' : 'ms');

/** A time as it is read and typed: 250 ms, 1.5 s, 2 min. @param us whole µs */
export const showTime = (us: number): string => `${us / lengthUnits[unitOf(us)]} ${unitOf(us)}`;

/**
 * What is typed, in whole µs; a bare number is in the unit of what stood there. null: it is no plain time.
 * @param stood what stood there: a time, or an expression, which is in ms
 */
export function readTime(typed: string, stood: Length): number | null {
  const [, number, unit] = /^\s*(\d+(?:[.,]\d+)?)\s*([a-zµ]*)\s*$/.exec(typed) ?? [];
  if (number === undefined) return null;
  const said =
    unit === '' ? (typeof stood === 'number' ? unitOf(stood) : 'ms') : unit === 'µs' ? 'us' : unit!;
  if (!Object.hasOwn(lengthUnits, said)) return null;
  return Math.round(Number(number.replace(',', '.')) * lengthUnits[said as LengthUnit]);
}

/** Why a time cannot stand there; null: it can. */
export function outside(us: number, minUs: number, maxUs: number): string | null {
  if (us < minUs) return `Expected at least ${showTime(minUs)}, got ${showTime(us)}.`;
  return us > maxUs ? `Expected at most ${showTime(maxUs)}, got ${showTime(us)}.` : null;
}
