import type { numberFormats } from '../gadget/index.ts';

export type NumberFormat = (typeof numberFormats)[number];

const behindPoint = (size: number, parts: number, digits: number): string =>
  `${Math.floor(size / parts)}.${String(size % parts).padStart(digits, '0')}`;

function clock(seconds: number): string {
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

function stopwatch(ms: number): string {
  const tenth = Math.floor((ms % 1_000) / 100);
  const seconds = Math.floor(ms / 1_000);
  return seconds < 60 ? `${seconds}.${tenth}` : `${clock(seconds)}.${tenth}`;
}

/** Without its sign. */
function written(size: number, format: NumberFormat): string {
  switch (format) {
    case 'plain':
    case 'noughts':
    case 'signed':
      return String(size);
    case 'tenths':
      return behindPoint(size, 10, 1);
    case 'hundredths':
      return behindPoint(size, 100, 2);
    case 'clock':
      return clock(size);
    case 'stopwatch':
      return stopwatch(size);
  }
}

/**
 * A whole number as a display writes it; digits that a format leaves out are cut off, not rounded.
 * @param value 32 bits
 * @param places that it takes at least, sign and point included: filled in front with blanks, or with noughts behind
 * the sign; 0: as many as it needs
 */
export function numberText(value: number, format: NumberFormat, places: number, unit: string): string {
  const sign = value < 0 ? '-' : format === 'signed' && value > 0 ? '+' : '';
  const digits = written(Math.abs(value), format);
  const filled = format === 'noughts' ? digits.padStart(places - sign.length, '0') : digits;
  return `${sign}${filled}`.padStart(places, ' ') + unit;
}
