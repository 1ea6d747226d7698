import type { LightData, Reading } from './kind.ts';

interface Chain {
  pixels: number;
  bitNs: number;
  pauseUs: number;
  interruptsOff: number;
}

/**
 * One data line after another: every light takes its 24 bits. While they go out, chips without help from their
 * hardware hear nothing else. Source: reckoning, Lights by number.
 */
export const chainData = ({ pixels, bitNs, interruptsOff }: Chain): LightData => ({
  us: Math.round((pixels * 24 * bitNs) / 1_000),
  interruptsOff: interruptsOff === 1,
});

/** The same as figures; a pause behind the data lets all of them show. */
export function chainReadings(chain: Chain): Reading[] {
  const { us: dataUs, interruptsOff } = chainData(chain);
  return [
    { id: 'data', value: dataUs, unit: 'µs' },
    { id: 'refresh', value: Math.floor(1_000_000 / (dataUs + chain.pauseUs)), unit: 'Hz' },
    ...(interruptsOff ? [{ id: 'deaf', value: dataUs, unit: 'µs' } as const] : []),
  ];
}

/**
 * One line after another: each light has its share of the time, and a whole line's current flows at once. Source:
 * reckoning, Lights by number.
 */
export function matrixReadings(matrix: {
  lines: number;
  perLine: number;
  peakUa: number;
  refreshHz: number;
}): Reading[] {
  return [
    { id: 'share', value: Math.round(1_000 / matrix.lines), unit: '‰' },
    { id: 'average', value: Math.round(matrix.peakUa / matrix.lines), unit: 'µA' },
    { id: 'line', value: matrix.perLine * matrix.peakUa, unit: 'µA' },
    { id: 'lineTime', value: Math.floor(1_000_000 / (matrix.refreshHz * matrix.lines)), unit: 'µs' },
  ];
}
