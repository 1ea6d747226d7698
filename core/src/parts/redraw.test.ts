import { figuresOf, kindOf, partKinds } from './index.ts';
import { chipRowsUs, frameBytes, parallelRowsUs, serialUs, twoWireUs } from './redraw.ts';

const readings = (kind: string, figures: Record<string, number> = {}) => {
  const part = { kind, figures };
  return Object.fromEntries(
    (kindOf(part).readings?.(figuresOf(part)) ?? []).map(({ id, value }) => [id, value]),
  );
};
const ms = (us: number) => Number((us / 1_000).toPrecision(3));

describe('a whole picture', () => {
  it.each([
    ['two wires, 400 kHz, pieces of 16 bytes', twoWireUs(1_024, 16, 400_000), 26.2],
    ['two wires, 100 kHz, pieces of 16 bytes', twoWireUs(1_024, 16, 100_000), 105],
    ['two wires, 400 kHz, pieces of 128 bytes', twoWireUs(1_024, 128, 400_000), 23.4],
    ['fast serial, 8 MHz', serialUs(1_024, 8_000_000), 1.02],
    ['two rows of sixteen over four lines', parallelRowsUs(), 1.5],
    ['two rows of sixteen behind a bus chip', chipRowsUs(100_000), 17.3],
  ])('%s', (_how, us, wanted) => expect(ms(us)).toBe(wanted));

  it('takes the last piece though it is not full', () => {
    expect(twoWireUs(17, 16, 1_000_000)).toBe(9 * (17 + 4) + 4);
    expect(twoWireUs(16, 16, 1_000_000)).toBe(9 * (16 + 2) + 2);
  });

  it('takes whole bytes for a height that is none of eights', () => {
    expect(frameBytes({ widthPx: 128, heightPx: 64, depth: 0 })).toBe(1_024);
    expect(frameBytes({ widthPx: 72, heightPx: 40, depth: 0 })).toBe(360);
    expect(frameBytes({ widthPx: 10, heightPx: 9, depth: 0 })).toBe(20);
    // Four greys: two bits a pixel; colours: two bytes.
    expect(frameBytes({ widthPx: 10, heightPx: 9, depth: 1 })).toBe(30);
    expect(frameBytes({ widthPx: 160, heightPx: 128, depth: 3 })).toBe(40_960);
  });

  it('is told of the parts of the catalogue, by their own figures', () => {
    expect(readings('graphic-display-two-wire')).toEqual({ picture: 26_240, pictures: 38, buffer: 1_024 });
    expect(readings('graphic-display-two-wire', { pieceBytes: 128 })['picture']).toBe(23_440);
    expect(readings('graphic-display-spi', { widthPx: 256 })).toEqual({
      picture: 2_048,
      pictures: 488,
      buffer: 2_048,
    });
    // 160 × 128 of two bytes at 16 MHz: 20.48 ms; made a tile at a time: 128 bytes, and two for each of 320 tiles.
    expect(readings('small-colour-display')).toEqual({ picture: 20_480, pictures: 48, buffer: 768 });
    expect(readings('small-colour-display', { buffer: 0 })['buffer']).toBe(40_960);
    expect(readings('graphic-display-two-wire', { depth: 2 })).toEqual({
      picture: 104_960,
      pictures: 9,
      buffer: 4_096,
    });
    expect(readings('character-display-two-wire', { busBaud: 400_000 })).toEqual({ rows: 4_320 });
  });

  it('is what the memory of the chip is reckoned with', () => {
    for (const kind of partKinds) {
      if (!kind.id.startsWith('graphic-display')) continue;
      const figures = figuresOf({ kind: kind.id, figures: { widthPx: 100, heightPx: 33 } });
      expect(kind.memory?.(figures).ram).toBe(500);
    }
  });
});
