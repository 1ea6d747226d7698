import { alignedBy } from './aligned.ts';

const box = (left: number, top: number, width: number, height: number) => ({
  left,
  top,
  right: left + width,
  bottom: top + height,
});
const display = { widthPx: 128, heightPx: 64 };

describe('what is chosen on a page', () => {
  it('lies at an edge or in the middle of the display, where it is one', () => {
    const one = [box(10, 20, 30, 9)];
    const by = (how: Parameters<typeof alignedBy>[1]) => alignedBy(one, how, display)[0];
    expect([by('left'), by('right'), by('top'), by('bottom')]).toEqual([
      [-10, 0],
      [88, 0],
      [0, -20],
      [0, 35],
    ]);
    // 49 of 98 at either side; 27 of 55 above, the odd one below.
    expect([by('centre'), by('middle')]).toEqual([
      [39, 0],
      [0, 7],
    ]);
    expect([by('across'), by('down')]).toEqual([
      [0, 0],
      [0, 0],
    ]);
  });
  it('lies as the others do, where there are several', () => {
    const two = [box(10, 20, 30, 8), box(60, 4, 10, 30)];
    expect(alignedBy(two, 'left', display)).toEqual([
      [0, 0],
      [-50, 0],
    ]);
    expect(alignedBy(two, 'right', display)).toEqual([
      [30, 0],
      [0, 0],
    ]);
    expect(alignedBy(two, 'bottom', display)).toEqual([
      [0, 6],
      [0, 0],
    ]);
  });
  it('has the same room between, in the order in which it lies, ends where they are', () => {
    const three = [box(100, 0, 20, 8), box(0, 0, 10, 8), box(20, 0, 10, 8)];
    // 120 pixels, 40 of them filled: 40 between each two.
    expect(alignedBy(three, 'across', display)).toEqual([
      [0, 0],
      [0, 0],
      [30, 0],
    ]);
    expect(alignedBy(three, 'down', display)).toEqual([
      [0, 0],
      [0, 0],
      [0, 0],
    ]);
    // What overlaps has less than no room: still spread evenly.
    const tight = [box(0, 0, 30, 8), box(5, 0, 30, 8), box(20, 0, 30, 8)];
    expect(alignedBy(tight, 'across', display).map(([dx], n) => tight[n]!.left + dx)).toEqual([0, 10, 20]);
  });
});
