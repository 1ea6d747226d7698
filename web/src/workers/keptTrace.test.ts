import type { TraceEntry } from '@hum-lever/core';
import {
  cutTrace,
  emptyTrace,
  growTrace,
  keptEntries,
  needsStretch,
  putStretch,
  seenAt,
} from './keptTrace.ts';

const entry = (at: number): TraceEntry => ({ atUs: at, lane: 'ended' });
const run = (from: number, count: number) => Array.from({ length: count }, (_, n) => entry(from + n));

describe('the kept trace', () => {
  it('holds the newest, however many come, at once or one by one', () => {
    let kept = emptyTrace([]);
    for (let n = 0; n < 200; n += 1) {
      kept = growTrace(kept, run(n * 1_000, 1_000), 0);
      expect(kept.entries.length).toBeLessThan(1.5 * keptEntries);
    }
    expect(kept.entries.at(-1)).toEqual(entry(199_999));
    // As many as a stack would not hold.
    kept = growTrace(kept, run(300_000, 500_000), 0);
    expect(kept.entries).toHaveLength(keptEntries);
    expect(kept.entries.at(-1)).toEqual(entry(799_999));
    kept = growTrace(kept, [entry(800_000)], 0);
    expect(kept.entries).toHaveLength(keptEntries + 1);
  });

  it('knows where entries were left out, and shows them once they were played again', () => {
    let kept = emptyTrace(run(0, 10));
    kept = growTrace(kept, run(2_000_000, 10), 5_000);
    kept = growTrace(kept, run(9_000_000, 10), 0);
    expect(kept.thin).toEqual([{ fromUs: 9, toUs: 2_000_000 }]);
    expect([1_000_000, 2_300_000, 2_600_000, 9_000_000].map((at) => needsStretch(kept, at))).toEqual([
      true,
      true,
      false,
      false,
    ]);
    const again = run(1_000_000, 40);
    kept = putStretch(kept, { fromUs: 500_000, toUs: 1_500_000, entries: again });
    expect(needsStretch(kept, 1_200_000)).toBe(false);
    expect(seenAt(kept, 1_200_000)).toEqual([
      ...run(0, 10),
      ...again,
      ...run(2_000_000, 10),
      ...run(9_000_000, 10),
    ]);
    expect(seenAt(kept, null)).toHaveLength(30);
    kept = cutTrace(kept, 1_200_000);
    expect(kept).toMatchObject({ entries: run(0, 10), stretch: null });
  });
});
