import { part } from '../test/fixtures.ts';
import { lightsUa } from './draws.ts';

const of = (kind: string, figures: Record<string, number>, colours: number[]) =>
  lightsUa({ parts: [part('p1', kind, ['o1'], { figures })] }, 'o1', colours);

describe('what lights by number draw', () => {
  it('is idle current and their share of full white, where each has a chip', () => {
    // 24 at full white: 24 · (60 + 1) mA. Source: reckoning, Electric.
    expect(of('light-chain', { pixels: 24 }, Array<number>(24).fill(0xffffff))).toBe(24 * 61_000);
    expect(of('light-chain', { pixels: 24 }, Array<number>(24).fill(0))).toBe(24 * 1_000);
    // Red at full is one of three channels.
    expect(of('light-chain', { pixels: 2 }, [0xff0000, 0])).toBe(2_000 + 20_000);
  });
  it('is their share of the time, where they are lit line by line', () => {
    // Four rows: each lit light has a quarter of the time at 8 mA; two full ones and one at half.
    const matrix = { rows: 4, columns: 4, peakUa: 8_000 };
    expect(of('light-matrix', matrix, [0xff8000, 0xff8000, ...Array<number>(14).fill(0)])).toBe(4_000);
    expect(of('lights-on-shared-lines', { lines: 4, peakUa: 6_000 }, Array<number>(12).fill(0xff0000))).toBe(
      6_000,
    );
  });
  it('is not known of others', () => {
    expect(of('light', {}, [0])).toBeNull();
    expect(lightsUa({ parts: [] }, 'o1', [0])).toBeNull();
  });
});
